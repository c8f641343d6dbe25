import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer'
import type { Plan } from '../core/machine/plan.ts'
import { MOST_EDITS, nextStep, type History, type Step } from './history.ts'
import type { StoredChange } from './planStore.ts'
import type { StoreNotice } from './storeNotice.ts'

enablePatches()

/** A change of the plan: edits the draft, or answers a whole new plan. */
export type Recipe = (draft: Draft<Plan>) => undefined | Draft<Plan>

/** A change on its way to the store; made again on top of another tab's when that one was first. */
export type Change =
  | { readonly kind: 'edit'; readonly label: string; readonly recipe: Recipe }
  | { readonly kind: 'undo' | 'redo' }
  | { readonly kind: 'welcome' }

/** What people are told of changes that are still to be saved. */
export const editLabels = (changes: readonly Change[]): string[] =>
  changes.flatMap((change) => (change.kind === 'edit' ? [change.label] : []))

export interface MadeChange {
  /** What could not be done. */
  readonly said?: StoreNotice
  readonly plan: Plan
  readonly history: History
  readonly stored: StoredChange
}

/** Patches. */
const LARGE_EDIT = 500

/** Whether making it has held the page for so long that it is drawn in a task of its own. */
export const isDrawnLater = ({ stored }: MadeChange): boolean =>
  stored.kind === 'edit' && stored.step.patches.forward.length > LARGE_EDIT

/** The plan and history after a change, and what the store must keep of it. Undefined when it changes nothing. */
export function makeChange(plan: Plan, history: History, change: Change): MadeChange | undefined {
  switch (change.kind) {
    case 'welcome':
      return { plan, history, stored: { kind: 'welcome' } }
    case 'edit': {
      const [next, forward, inverse] = produceWithPatches(plan, change.recipe)
      if (forward.length === 0) return undefined
      const step = { seq: history.cursor + 1, label: change.label, patches: { forward, inverse } }
      const edits = [...history.edits.filter(({ seq }) => seq <= history.cursor), step].slice(-MOST_EDITS)
      return { plan: next, history: { edits, cursor: step.seq }, stored: { kind: 'edit', step } }
    }
    case 'undo':
      return moved(plan, history, nextStep(history, 'undo'), 'before')
    case 'redo':
      return moved(plan, history, nextStep(history, 'redo'), 'after')
  }
}

/**
 * A step that cannot be taken is forgotten with all beyond it. One that still lies in the store has to be read before;
 * without that nothing changes.
 */
function moved(
  plan: Plan,
  history: History,
  step: Step | undefined,
  side: 'before' | 'after',
): MadeChange | undefined {
  if (!step?.patches) return undefined
  const isBefore = side === 'before'
  const next =
    step.patches === 'damaged' ? undefined : patched(plan, step.patches[isBefore ? 'inverse' : 'forward'])
  const cursor = isBefore ? step.seq - 1 : step.seq
  if (next) return { plan: next, history: { ...history, cursor }, stored: { kind: 'cursor', cursor } }
  const edits = history.edits.filter(({ seq }) => (isBefore ? seq > history.cursor : seq <= history.cursor))
  return {
    plan,
    history: { edits, cursor: history.cursor },
    stored: { kind: 'forget', side },
    said: { code: 'step-damaged', side },
  }
}

function patched(plan: Plan, patches: readonly Patch[]): Plan | undefined {
  try {
    return applyPatches(plan, patches)
  } catch {
    return undefined
  }
}
