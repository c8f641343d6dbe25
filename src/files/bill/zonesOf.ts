import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { BillZones } from './BillRows.ts'

/** Days of each provider are those of its own month, by its name or its id; of others those of the first one. */
export const zonesOf = (books: readonly PriceBook[]): BillZones => ({
  timeZone: books[0]?.billingZone ?? 'Etc/UTC',
  byProvider: new Map(
    books.flatMap(({ provider: { id, name }, billingZone }) =>
      [id, name].map((each) => [each.toLowerCase(), billingZone] as const),
    ),
  ),
})
