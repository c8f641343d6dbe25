import type { Plan } from '../core/machine/plan.ts'
import { editLabels, makeChange, type Change } from './change.ts'
import type { History } from './history.ts'
import type { StoredEdit } from './database.ts'
import { editsMeet } from './editsThatMeet.ts'

interface Ground {
  readonly plan: Plan
  readonly history: History
}

interface Rebased extends Ground {
  /** What is still to be saved. */
  readonly pending: readonly Change[]
  /** What a person must know: edits that are gone, or that stand over those of another tab. */
  readonly said: readonly string[]
}

/**
 * Makes changes that wait here again on top of what another tab has saved: `theirs` are its edits. Changes of another
 * plan than the one that is open now are given up. Nothing is lost without a sentence.
 */
export function rebase(
  ground: Ground,
  pending: readonly Change[],
  theirs: readonly StoredEdit[],
  planBefore: Plan,
): Rebased {
  const labels = editLabels(pending)
  if (ground.plan.id !== planBefore.id && labels.length > 0) {
    const { name } = ground.plan
    const said = `Another tab opened the plan “${name}”: not kept of what was changed here: ${labels.join(', ')}.`
    return { ...ground, pending: [], said: [said] }
  }
  const said: string[] = []
  let { plan, history } = ground
  for (const change of pending) {
    const made = makeChange(plan, history, change)
    if (made?.stored.kind === 'edit') {
      const { forward, label } = made.stored.edit
      const met = theirs.find((edit) => editsMeet(edit.forward, forward))
      if (met) {
        said.push(
          `Another tab changed the same (“${met.label}”): “${label}” of this one stands; undo takes it back.`,
        )
      }
    } else if (change.kind === 'edit') {
      said.push(`“${change.label}” changes nothing any more: another tab was first.`)
    }
    if (made) ({ plan, history } = made)
  }
  return { plan, history, pending, said }
}
