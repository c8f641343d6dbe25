import type { PriceBook } from './priceBook.ts'

/** Every jurisdiction that the books know of, each once, in order of their letters. O(regions). */
export const jurisdictions = (books: readonly PriceBook[]): string[] =>
  [
    ...new Set(books.flatMap(({ regions }) => regions.flatMap(({ jurisdiction }) => jurisdiction ?? []))),
  ].sort()
