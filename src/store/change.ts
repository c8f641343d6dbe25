import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer'
import type { Plan } from '../core/machine/plan.ts'
import { parsePlan } from '../files/plan/planFile.ts'
import { planToFile } from '../files/plan/planDocument.ts'
import { MOST_EDITS, type History } from './history.ts'
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

interface MadeChange {
  /** What could not be done. */
  readonly said?: StoreNotice
  readonly plan: Plan
  readonly history: History
  readonly stored: StoredChange
}

/** The plan and history after a change, and what the store must keep of it. Undefined when it changes nothing. */
export function makeChange(plan: Plan, history: History, change: Change): MadeChange | undefined {
  switch (change.kind) {
    case 'welcome':
      return { plan, history, stored: { kind: 'welcome' } }
    case 'edit': {
      const [next, forward, inverse] = produceWithPatches(plan, change.recipe)
      if (forward.length === 0) return undefined
      const edit = { seq: history.cursor + 1, label: change.label, forward, inverse }
      const edits = [...history.edits.filter(({ seq }) => seq <= history.cursor), edit].slice(-MOST_EDITS)
      return { plan: next, history: { edits, cursor: edit.seq }, stored: { kind: 'edit', edit } }
    }
    case 'undo': {
      const edit = history.edits.find(({ seq }) => seq === history.cursor)
      return edit && moved(plan, history, edit.inverse, edit.seq - 1, 'before')
    }
    case 'redo': {
      const edit = history.edits.find(({ seq }) => seq === history.cursor + 1)
      return edit && moved(plan, history, edit.forward, edit.seq, 'after')
    }
  }
}

/** History comes from the store: a step that cannot be taken, or would break the plan, is forgotten with all beyond it. */
function moved(
  plan: Plan,
  history: History,
  patches: readonly Patch[],
  cursor: number,
  side: 'before' | 'after',
): MadeChange {
  const next = patched(plan, patches)
  if (next) return { plan: next, history: { ...history, cursor }, stored: { kind: 'cursor', cursor } }
  const isBefore = side === 'before'
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
    const next = applyPatches(plan, patches)
    return parsePlan(planToFile(next)).ok ? next : undefined
  } catch {
    return undefined
  }
}
