import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Outcome } from '../core/outcome.ts'
import type { FileIssue } from '../files/fileIssue.ts'
import type { ReadFile } from '../files/readAnyFile.ts'

/** One question and one answer a worker: cancelling ends it. */
export interface ImportAsk {
  readonly file: File
  readonly books: readonly PriceBook[]
}

export type ImportAnswer = Outcome<ReadFile, FileIssue>
