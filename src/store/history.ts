import type { StoredEdit } from './database.ts'

/** Edits in order, those that are undone after the cursor. */
export interface History {
  readonly edits: readonly StoredEdit[]
  readonly cursor: number
}
