import type { PriceBook } from '../core/catalogue/priceBook.ts'

/** A provider’s name, marked where nobody can buy there. */
export const markedProvider = ({ provider: { name, invented } }: PriceBook): string =>
  invented ? `${name} (invented)` : name

/** A provider’s name beside others: where all of them are invented, as in the demo, no mark tells any apart. */
export const providerName = (book: PriceBook, beside: readonly PriceBook[]): string =>
  beside.every(({ provider }) => provider.invented) ? book.provider.name : markedProvider(book)
