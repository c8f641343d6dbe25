import type { PriceBook } from '../../core/catalogue/priceBook.ts'

/**
 * Prices from which on a book is stored and sent as one text of JSON: the page's thread copies a record of a hundred
 * thousand parts for a fifth of a second at each letter that is typed, and a text in a tenth of that.
 */
const MANY_PRICES = 2_000

export const hasManyPrices = ({ prices, sizes }: PriceBook): boolean =>
  Object.keys(prices).length * sizes.length >= MANY_PRICES
