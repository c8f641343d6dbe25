import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { accept, type Outcome } from '../../core/outcome.ts'
import { checkPriceBook } from './checkPriceBook.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { bookToFile, PRICE_BOOK_KIND, PRICE_BOOK_VERSION } from './priceBookDocument.ts'
import { priceBookSchema } from './priceBookSchema.ts'
import { readJson } from '../reading/readJson.ts'
import { stableJson } from '../reading/stableJson.ts'
import { limited, validate } from '../reading/validate.ts'

/** Reads a price book file whole, or says everything that is wrong with it. */
export function readPriceBook(text: string): Outcome<PriceBook, FileIssue> {
  const json = readJson(text, PRICE_BOOK_KIND, PRICE_BOOK_VERSION)
  return json.ok ? parsePriceBook(json.value) : json
}

/** Reads a price book that is already parsed, as the store holds it. */
export function parsePriceBook(value: unknown): Outcome<PriceBook, FileIssue> {
  const book = validate(priceBookSchema, value)
  if (!book.ok) return book
  const issues = checkPriceBook(book.value)
  return issues.length > 0 ? { ok: false, issues: limited(issues) } : accept(book.value)
}

export const writePriceBook = (book: PriceBook): string => stableJson(priceBookSchema, bookToFile(book))
