import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Outcome } from '../core/outcome.ts'
import { hasManyPrices } from '../files/priceBook/manyPrices.ts'
import { bookToFile } from '../files/priceBook/priceBookDocument.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'

type Read<Value> = Outcome<Value, FileIssue>

/** Some 20 ms for whoever takes them in. */
const PRICES_A_PORTION = 25_000

/** What was read, and where there is a large book in it, this as JSON too, so that the page need not write it. */
export function withJson<Value extends object>(read: Read<Value>): Read<Value> {
  const book = largeBookOf(read)
  return read.ok && book
    ? { ...read, value: { ...read.value, json: JSON.stringify(bookToFile(book)) } }
    : read
}

/** What was read with more and more of the places of a large book; nothing where there is none. */
export function* bookInPortions<Value extends object>(read: Read<Value>): Generator<Read<Value>> {
  const book = largeBookOf(read)
  if (!read.ok || !book) return
  const places = Object.entries(book.prices)
  const step = Math.max(1, Math.floor(PRICES_A_PORTION / book.sizes.length))
  for (let count = step; count < places.length; count += step) {
    const prices = Object.fromEntries(places.slice(0, count))
    yield { ...read, value: { ...read.value, book: { ...book, prices } } }
  }
}

function largeBookOf(read: Read<object>): PriceBook | undefined {
  const { book } = (read.ok ? read.value : {}) as { readonly book?: PriceBook }
  return book && hasManyPrices(book) ? book : undefined
}
