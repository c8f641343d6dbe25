/** What a person must know of their changes and the store; the screens have the words. */
export type StoreNotice =
  /** Another tab opened a plan: edits of the former one that were not saved are gone. */
  | { readonly code: 'other-plan-opened'; readonly name: string; readonly gone: readonly string[] }
  /** Another tab changed the same: the later edit stands. */
  | { readonly code: 'changed-twice'; readonly theirs: string; readonly ours: string }
  /** Another tab was first: the edit changes nothing any more. */
  | { readonly code: 'nothing-left'; readonly label: string }
  /** A step that can no longer be taken back (`before`) or done again (`after`), with all beyond it. */
  | { readonly code: 'step-damaged'; readonly side: 'before' | 'after' }
  | { readonly code: 'stored-steps-lost'; readonly count: number }

/** Why something is not stored. */
export type StorageProblem =
  | { readonly code: 'full' | 'refused' | 'failed' | 'other-save-unreadable' }
  | { readonly code: 'too-many-plans'; readonly most: number }
