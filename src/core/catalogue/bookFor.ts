import type { YearMonth } from '../calendar/yearMonth.ts'
import { accept, refuse, type Outcome } from '../outcome.ts'
import { indexBook, type BookIndex } from './bookIndex.ts'
import type { PriceBook } from './priceBook.ts'

/** Why no book prices a provider's month. */
export type BookIssue =
  | { readonly code: 'no-book'; readonly provider: string; readonly known: readonly string[] }
  | {
      readonly code: 'no-book-then'
      readonly provider: string
      readonly month: YearMonth
      /** What the books at hand cover, such as `2027-01-01 to 2027-06-30`. */
      readonly covered: readonly string[]
    }

/** Editions of one provider, the earliest first. */
export const editionsOf = (provider: string, books: readonly PriceBook[]): PriceBook[] =>
  books
    .filter((book) => book.provider.id === provider)
    .sort((a, b) => (a.valid.from < b.valid.from ? -1 : a.valid.from > b.valid.from ? 1 : 0))

/**
 * The edition that is valid on the first day of the month. One without an end is valid until the next one begins.
 * Several may stand side by side; that they do not overlap is checked when they are read.
 */
export function bookFor(
  provider: string,
  books: readonly PriceBook[],
  month: YearMonth,
): Outcome<BookIndex, BookIssue> {
  const editions = editionsOf(provider, books)
  const first = `${month}-01`
  const book = editions.findLast(({ valid }) => valid.from <= first)
  if (book && (book.valid.until === undefined || book.valid.until >= first)) return accept(indexBook(book))
  if (editions.length === 0) {
    return refuse({ code: 'no-book', provider, known: [...new Set(books.map((each) => each.provider.id))] })
  }
  return refuse({ code: 'no-book-then', provider, month, covered: editions.map(coverOf) })
}

const coverOf = ({ valid: { from, until } }: PriceBook): string =>
  until === undefined ? `from ${from}` : `${from} to ${until}`

/** Whether two editions of a provider claim the same day: an open end gives way to the next edition. */
export function editionsOverlap(a: PriceBook, b: PriceBook): boolean {
  const [early, late] = a.valid.from <= b.valid.from ? [a, b] : [b, a]
  if (early.valid.from === late.valid.from) return true
  return early.valid.until !== undefined && early.valid.until >= late.valid.from
}

/** The same, where it does not matter why there is none. */
export function priceBookFor(...asked: Parameters<typeof bookFor>): PriceBook | undefined {
  const found = bookFor(...asked)
  return found.ok ? found.value.book : undefined
}
