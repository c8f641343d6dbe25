'use client'

import { useState } from 'react'
import type { Plan } from '../../core/machine/plan.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { movedPlate } from '../../core/notches/movedPlate.ts'
import type { Notch, Plate } from '../../core/notches/plate.ts'
import type { WorkbenchValue } from '../workbench/WorkbenchContext'

interface Moved {
  /** What the page showed when the hand moved. */
  readonly from: PricedMachine
  /** The plan that came of it. */
  readonly plan: Plan
  readonly plate: Plate
}

export interface MovedPlate {
  /** The plate as it is after the move; undefined where no move is ahead of the page. */
  readonly moved: Plate | undefined
  /** Takes a choice of a plate by `edit`. */
  readonly move: (plate: Plate, taken: Notch, edit: () => void) => void
}

/**
 * The plate under the hand, ahead of all others until these have followed: it alone is drawn before the next frame. A
 * move of a second plate before that waits for no one, and draws all plates at once.
 */
export function useMovedPlate(shown: PricedMachine, { session, state }: WorkbenchValue): MovedPlate {
  const [last, setLast] = useState<Moved>()
  const isAhead = last !== undefined && last.from === shown && last.plan === state.plan
  return {
    moved: isAhead ? last.plate : undefined,
    move: (plate, taken, edit) => {
      edit()
      const isOther = isAhead && last.plate.id !== plate.id
      const next = isOther ? undefined : movedPlate(plate, taken)
      setLast(next && { from: shown, plan: session.snapshot().plan, plate: next })
    },
  }
}
