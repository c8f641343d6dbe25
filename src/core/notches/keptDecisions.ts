import { DECISIONS, type Decision } from '../machine/decision.ts'
import type { Machine } from '../machine/plan.ts'

/** What goes with a decision: a size's steps are of that size, a further disk is one of the data disks. */
const TOGETHER: { readonly [Asked in Decision]?: readonly Decision[] } = {
  vcpu: ['size'],
  memory: ['size'],
  'new-disk': ['data-disk'],
}

/** What may not change for another choice: that decision itself, and all that are pinned; one pinned data disk keeps all. */
export function keptDecisions({ pinned = [] }: Machine, asked?: Decision): ReadonlySet<Decision> {
  const isPinned = (decision: Decision): boolean =>
    pinned.some((id) => id === decision || (decision === 'data-disk' && id.startsWith('data-disk')))
  const own = asked ? [asked, ...(TOGETHER[asked] ?? [])] : []
  return new Set([...DECISIONS.filter(isPinned), ...own])
}
