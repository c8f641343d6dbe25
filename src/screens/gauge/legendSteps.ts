import { isClosed, isOpen, type Plate } from '../../core/notches/plate.ts'
import type { Cluster } from './clusterNotches.ts'

/** What the legend explains, one after the other; each is over once the person has done what it says. */
export const LEGEND_STEPS = ['slot', 'number', 'band', 'line', 'axis'] as const
export type LegendStep = (typeof LEGEND_STEPS)[number]

/** What a person does among plates. */
export type LegendDeed =
  | { readonly did: 'look'; readonly at: Pick<Cluster, 'notches'> }
  | { readonly did: 'take' }
  | { readonly did: 'undo' }

/** Whether a deed is what a step asks for. */
export function fulfils(step: LegendStep, deed: LegendDeed): boolean {
  switch (step) {
    case 'slot':
      return deed.did === 'look'
    case 'number':
      return deed.did === 'look' && deed.at.notches.filter((notch) => !isClosed(notch)).length > 1
    case 'band':
      return deed.did === 'look' && deed.at.notches.some(isClosed)
    case 'line':
      return deed.did === 'take'
    case 'axis':
      return deed.did === 'undo'
  }
}

/** Steps that can be done on these plates: not all have closed choices, or a cheaper one that fits. */
export function stepsFor(plates: readonly Plate[]): LegendStep[] {
  const notches = plates.flatMap((plate) => plate.notches)
  const canTake = notches.some((notch) => !notch.isPresent && isOpen(notch))
  return LEGEND_STEPS.filter((step) => {
    if (step === 'band') return notches.some(isClosed)
    return step === 'line' || step === 'axis' ? canTake : true
  })
}
