import { applyPatches } from 'immer'
import type { Plan } from '../core/machine/plan.ts'
import type { History } from './history.ts'

export interface EarlierPlan {
  /** The edit that it stood before. */
  readonly label: string
  /** Undefined where a step on the way cannot be taken back. */
  readonly plan: () => Plan | undefined
}

/** The plan as it stood before each edit that is done, the newest first. */
export function earlierPlans(plan: Plan, { edits, cursor }: History): readonly EarlierPlan[] {
  const done = edits.filter(({ seq }) => seq <= cursor).reverse()
  return done.map(({ label }, i) => ({ label, plan: () => planBefore(plan, done.slice(0, i + 1)) }))
}

function planBefore(plan: Plan, edits: History['edits']): Plan | undefined {
  try {
    return edits.reduce((before, { inverse }) => applyPatches(before, inverse), plan)
  } catch {
    return undefined
  }
}
