import { editionsOf, editionsOverlap } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { FileIssue } from '../reading/fileIssue.ts'

/**
 * A book beside the others of its provider: no day may belong to two of them. The same edition again replaces itself;
 * an edition without an end gives way to the next.
 */
export const checkEditions = (book: PriceBook, books: readonly PriceBook[]): FileIssue[] =>
  editionsOf(book.provider.id, books)
    .filter((other) => other.edition !== book.edition && editionsOverlap(book, other))
    .map((other) => ({
      code: 'overlap',
      pointer: '/valid',
      problem: `It overlaps edition ${other.edition} of ${other.provider.name}, which is valid from ${other.valid.from}${
        other.valid.until === undefined ? '' : ` until ${other.valid.until}`
      }.`,
      expected: 'dates that no other edition has, or the same edition to replace it.',
    }))
