import { DECISIONS, decisionFacts, type Decision } from '../machine/decision.ts'
import type { Machine } from '../machine/plan.ts'

/**
 * What may not change for another choice: that decision itself with what it is within, and all that are pinned; one
 * pinned data disk keeps all.
 */
export function keptDecisions({ pinned = [] }: Machine, asked?: Decision): ReadonlySet<Decision> {
  const isPinned = (decision: Decision): boolean =>
    pinned.some((id) => id === decision || (decision === 'data-disk' && id.startsWith('data-disk')))
  const kept = new Set(DECISIONS.filter(isPinned))
  if (!asked) return kept
  const { within } = decisionFacts(asked)
  kept.add(asked)
  return within ? kept.add(within) : kept
}
