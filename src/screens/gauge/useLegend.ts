'use client'

import { useState } from 'react'
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

const KEY = 'notchgauge-legend'

/** Whether this browser has shown it; it is never shown by itself where nothing can be kept. */
function wasMet(): boolean {
  try {
    return localStorage.getItem(KEY) !== null
  } catch {
    return true
  }
}

function remember(): void {
  try {
    localStorage.setItem(KEY, 'met')
  } catch {
    // It then comes again the next time, which is all that the browser allows.
  }
}

/** How plates are read: met once by itself, and called back at any time. */
export function useLegend(plates: readonly Plate[]): Legend {
  const steps = stepsFor(plates)
  const [at, setAt] = useState<number | undefined>(() => (wasMet() ? undefined : 0))
  const step = at === undefined ? undefined : steps[at]
  const close = (): void => {
    remember()
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
