import type { Plan } from '../core/machine/plan.ts'
import { editLabels, makeChange, type Change } from './change.ts'
import type { History, Step } from './history.ts'
import { editsMeet } from './editsThatMeet.ts'
import type { StoreNotice } from './storeNotice.ts'

interface Ground {
  readonly plan: Plan
  readonly history: History
}

interface Rebased extends Ground {
  /** What is still to be saved. */
  readonly pending: readonly Change[]
  /** What a person must know: edits that are gone, or that stand over those of another tab. */
  readonly said: readonly StoreNotice[]
}

/**
 * Makes changes that wait here again on top of what another tab has saved: `theirs` are its edits. Changes of another
 * plan than the one that is open now are given up. Nothing is lost without a sentence.
 */
export function rebase(
  ground: Ground,
  pending: readonly Change[],
  theirs: readonly Step[],
  planBefore: Plan,
): Rebased {
  const labels = editLabels(pending)
  if (ground.plan.id !== planBefore.id && labels.length > 0) {
    const said = { code: 'other-plan-opened', name: ground.plan.name, gone: labels } as const
    return { ...ground, pending: [], said: [said] }
  }
  const said: StoreNotice[] = []
  let { plan, history } = ground
  for (const change of pending) {
    const made = makeChange(plan, history, change)
    if (made?.stored.kind === 'edit') {
      const { patches, label } = made.stored.step
      const met = theirs.find(
        (step) =>
          step.patches && step.patches !== 'damaged' && editsMeet(step.patches.forward, patches.forward),
      )
      if (met) {
        said.push({ code: 'changed-twice', theirs: met.label, ours: label })
      }
    } else if (change.kind === 'edit') {
      said.push({ code: 'nothing-left', label: change.label })
    }
    if (made) ({ plan, history } = made)
  }
  return { plan, history, pending, said }
}
