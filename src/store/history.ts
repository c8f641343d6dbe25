import type { StoredEdit } from './database.ts'

/** Edits kept for undo; older ones are dropped, on the page as in the store. */
export const MOST_EDITS = 300

/** Edits in order, those that are undone after the cursor. */
export interface History {
  readonly edits: readonly StoredEdit[]
  readonly cursor: number
}
