import { applyPatches } from 'immer'
import type { Plan } from '../core/machine/plan.ts'
import type { History } from './history.ts'

/**
 * The plan as it stood before the edit of this number, whose steps up to now have been read; undefined where one of them
 * cannot be taken back. O(steps on the way).
 */
export function planBefore(plan: Plan, { edits, cursor }: History, seq: number): Plan | undefined {
  try {
    return edits
      .filter((step) => step.seq >= seq && step.seq <= cursor)
      .reverse()
      .reduce((before, { patches }) => {
        if (!patches || patches === 'damaged') throw new Error('a step that cannot be taken')
        return applyPatches(before, patches.inverse)
      }, plan)
  } catch {
    return undefined
  }
}
