import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { sizeRates, roughHour } from '../catalogue/sizeRates.ts'
import { keptFor } from '../keptFor.ts'
import { compare, ZERO, type Exact } from '../quantity/exact.ts'

/**
 * An hour of the cheapest size that the region sells on demand: what is little money there, whatever the currency. Zero
 * where none is sold so, or one is free. O(sizes), once a region.
 */
export const cheapestHour = ({ book }: BookIndex, region: RegionIndex): Exact => leastOfBook(book)(region)

const leastOfBook = keptFor((book: PriceBook) => keptFor((region: RegionIndex) => leastOf(book, region)))

function leastOf(book: PriceBook, region: RegionIndex): Exact {
  const terms = book.terms.find(({ kind }) => kind === 'on-demand')
  if (!terms) return ZERO
  const hours = book.sizes.flatMap((size) => {
    const rates = sizeRates(region, size.id, terms)
    return rates ? [roughHour(rates, size)] : []
  })
  return hours.reduce((least, hour) => (compare(hour, least) < 0 ? hour : least), hours[0] ?? ZERO)
}
