import type { Patch } from 'immer'

/** Edits kept for undo; older ones are dropped, on the page as in the store. */
export const MOST_EDITS = 300

/** What an edit changes, and what takes it back. */
export interface StepPatches {
  readonly forward: readonly Patch[]
  readonly inverse: readonly Patch[]
}

/** An edit that was made. */
export interface Step {
  /** From 1, one after the other. */
  readonly seq: number
  readonly label: string
  /**
   * What this page made, or has read and checked; undefined where it still lies in the store. A plan that such a step
   * leads to needs no check.
   */
  readonly patches?: StepPatches | 'damaged'
}

/** Edits in order, those that are undone after the cursor. */
export interface History {
  readonly edits: readonly Step[]
  readonly cursor: number
}

export const NO_HISTORY: History = { edits: [], cursor: 0 }

/** Steps on either side of the cursor whose patches stay in memory; others are read again when they are asked for. */
const HELD = 50

/** The history of what is saved, without what lies in the store and is not likely to be asked for soon. O(steps). */
export const lightened = (history: History): History => ({
  ...history,
  edits: history.edits.map((step) =>
    Math.abs(step.seq - history.cursor) <= HELD ? step : { seq: step.seq, label: step.label },
  ),
})

/** The step that taking back, or doing again, takes. O(steps). */
export const nextStep = ({ edits, cursor }: History, kind: 'undo' | 'redo'): Step | undefined =>
  edits.find(({ seq }) => seq === (kind === 'undo' ? cursor : cursor + 1))

/** What can be taken back and done again, as people call it. O(steps). */
export function stepLabels({ edits, cursor }: History): {
  readonly undoLabel: string | undefined
  readonly redoLabel: string | undefined
} {
  const done = edits.filter(({ seq }) => seq <= cursor).at(-1)
  const undone = edits.find(({ seq }) => seq > cursor)
  return { undoLabel: done?.label, redoLabel: undone?.label }
}

/**
 * The history of what is stored: steps that can be taken back one after the other, and done again one after the other.
 * A step that is missing ends it on its side, and those beyond it are left out. O(steps).
 */
export function unbroken(stored: readonly Step[], cursor: number): History {
  const steps = new Map(stored.map((step) => [step.seq, step]))
  const done: Step[] = []
  for (let step = steps.get(cursor); step; step = steps.get(step.seq - 1)) done.unshift(step)
  const undone: Step[] = []
  for (let step = steps.get(cursor + 1); step; step = steps.get(step.seq + 1)) undone.push(step)
  return { edits: [...done, ...undone], cursor }
}
