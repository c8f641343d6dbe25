import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { hasManyPrices } from '../files/priceBook/manyPrices.ts'
import { keepText, keptText } from '../files/reading/keptText.ts'
import { bookToFile } from '../files/priceBook/priceBookDocument.ts'

/** What is put into the store for a book. O(prices). */
export function bookToStore(book: PriceBook): unknown {
  const file = bookToFile(book)
  return hasManyPrices(book) ? (keptText(book) ?? JSON.stringify(file)) : file
}

/** A book's file, however it is stored; what is no file is left to be refused by its check. */
export function storedBookFile(stored: unknown): unknown {
  if (typeof stored !== 'string') return stored
  try {
    const file = JSON.parse(stored) as unknown
    if (typeof file === 'object' && file !== null) keepText(file, stored)
    return file
  } catch {
    return stored
  }
}
