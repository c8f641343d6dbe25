import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { bookToFile } from '../files/priceBook/priceBookDocument.ts'

/**
 * Prices from which on a book is stored as one text of JSON: the page's thread copies a record of a hundred thousand parts
 * for a fifth of a second at each letter that is typed, and a text in a tenth of that.
 */
const MANY_PRICES = 2_000

export const hasManyPrices = ({ prices, sizes }: PriceBook): boolean =>
  Object.keys(prices).length * sizes.length >= MANY_PRICES

/** What is put into the store for a book. O(prices). */
export function bookToStore(book: PriceBook): unknown {
  const file = bookToFile(book)
  return hasManyPrices(book) ? JSON.stringify(file) : file
}

/** A book's file, however it is stored; what is no file is left to be refused by its check. */
export function storedBookFile(stored: unknown): unknown {
  if (typeof stored !== 'string') return stored
  try {
    return JSON.parse(stored) as unknown
  } catch {
    return stored
  }
}
