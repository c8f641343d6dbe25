import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer'
import type { Plan } from '../core/machine/plan.ts'
import { parsePlan, planToFile } from '../files/planFile.ts'
import type { StoredEdit } from './database.ts'
import type { StoredChange } from './planStore.ts'

enablePatches()

/** A change of the plan: edits the draft, or answers a whole new plan. */
export type Recipe = (draft: Draft<Plan>) => undefined | Draft<Plan>

export interface History {
  readonly edits: readonly StoredEdit[]
  readonly cursor: number
}

/** A change on its way to the store; made again on top of another tab's when that one was first. */
export type Change =
  | { readonly kind: 'edit'; readonly label: string; readonly recipe: Recipe }
  | { readonly kind: 'undo' | 'redo' }
  | { readonly kind: 'welcome' }

interface MadeChange {
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
      const edits = [...history.edits.filter(({ seq }) => seq <= history.cursor), edit]
      return { plan: next, history: { edits, cursor: edit.seq }, stored: { kind: 'edit', edit } }
    }
    case 'undo': {
      const edit = history.edits.find(({ seq }) => seq === history.cursor)
      return edit && moved(plan, history, edit.inverse, edit.seq - 1)
    }
    case 'redo': {
      const edit = history.edits.find(({ seq }) => seq === history.cursor + 1)
      return edit && moved(plan, history, edit.forward, edit.seq)
    }
  }
}

/** History comes from the store: a plan that its patches would break is not taken. */
function moved(
  plan: Plan,
  history: History,
  patches: readonly Patch[],
  cursor: number,
): MadeChange | undefined {
  const next = applyPatches(plan, patches)
  if (!parsePlan(planToFile(next)).ok) return undefined
  return { plan: next, history: { ...history, cursor }, stored: { kind: 'cursor', cursor } }
}
