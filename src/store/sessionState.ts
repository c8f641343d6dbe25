import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import type { StorageProblem, StoreNotice } from './storeNotice.ts'

/** What is shown of the open plan. */
export interface SessionState {
  readonly status: 'loading' | 'ready' | 'damaged'
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  /** The plan is one that a hand is still making: nothing of it is kept yet. */
  readonly isPreview: boolean
  readonly undoLabel: string | undefined
  readonly redoLabel: string | undefined
  readonly welcome: boolean
  /** Why changes are not kept, when they are not. */
  readonly saveProblem: StorageProblem | undefined
  /** Another plan was asked for and could not be stored, so that the open one stays. */
  readonly staysOpen: boolean
  /** What another tab did to changes that were made here, and steps that can no longer be taken back. */
  readonly notices: readonly StoreNotice[]
  /** Stored price books that can no longer be read. */
  readonly refusedBooks: readonly string[]
  /** What is wrong with the stored plan, when it cannot be opened. */
  readonly damage: readonly FileIssue[]
}

const EMPTY_PLAN: Plan = { name: 'New plan', month: '2027-03' as Plan['month'], weeks: [], machines: [] }

export const NOTHING_OPEN: SessionState = {
  status: 'loading',
  plan: EMPTY_PLAN,
  books: [],
  isPreview: false,
  undoLabel: undefined,
  redoLabel: undefined,
  welcome: false,
  saveProblem: undefined,
  staysOpen: false,
  notices: [],
  refusedBooks: [],
  damage: [],
}
