import type { FileIssue } from '../../files/reading/fileIssue.ts'

/** What became of a file. */
export type ImportReport =
  | { readonly name: string; readonly text: string; readonly takeBack?: () => void }
  | { readonly name: string; readonly issues: readonly FileIssue[] }
