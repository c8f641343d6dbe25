'use client'

import { useState } from 'react'
import { rememberedHere, rememberHere } from '../../interface/rememberedHere.ts'
import type { Plate } from '../../core/notches/plate.ts'
import { fulfils, stepsFor, type LegendDeed, type LegendStep } from './legendSteps.ts'

export interface Legend {
  /** Undefined where it is not shown. */
  readonly step: LegendStep | undefined
  readonly at: number
  readonly of: number
  readonly start: () => void
  readonly next: () => void
  readonly close: () => void
  readonly did: (deed: LegendDeed) => void
}

const KEY = 'legend'

/** How plates are read: met once by itself, and called back at any time. */
export function useLegend(plates: readonly Plate[]): Legend {
  const steps = stepsFor(plates)
  const [at, setAt] = useState<number | undefined>(() => (rememberedHere(KEY) === undefined ? 0 : undefined))
  const step = at === undefined ? undefined : steps[at]
  const close = (): void => {
    rememberHere(KEY, 'met')
    setAt(undefined)
  }
  const next = (): void => {
    if (at === undefined || at + 1 >= steps.length) close()
    else setAt(at + 1)
  }
  return {
    step,
    at: at ?? 0,
    of: steps.length,
    start: () => setAt(0),
    next,
    close,
    did: (deed) => {
      if (step && fulfils(step, deed)) next()
    },
  }
}
