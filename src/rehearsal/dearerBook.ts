import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { SizePrice, SizeRateTexts } from '../core/catalogue/regionPrices.ts'
import { parseDecimal, toDecimal, trimDecimal } from '../core/quantity/decimal.ts'
import { multiply, type Exact } from '../core/quantity/exact.ts'
import { ownValue } from '../core/ownValue.ts'

const RATES = [
  'perSecond',
  'perHour',
  'perMonth',
  'perVcpuHour',
  'perCoreHour',
  'perGiBHour',
] as const satisfies readonly (keyof SizeRateTexts)[]

/** Digits of a price list; a rate by the second has more of them. */
const DECIMALS = 9

function dearer<Rates extends SizeRateTexts>(rates: Rates, factor: Exact): Rates {
  const changed = RATES.flatMap((field) => {
    const text = rates[field]
    return text === undefined
      ? []
      : [[field, trimDecimal(toDecimal(multiply(parseDecimal(text)!, factor), DECIMALS))]]
  })
  return { ...rates, ...Object.fromEntries(changed) }
}

/** The book with one size of a region at other rates, on demand and by its other terms. */
export function dearerBook(book: PriceBook, region: string, size: string, factor: Exact): PriceBook {
  const prices = ownValue(book.prices, region)
  const price = prices && ownValue(prices.sizes, size)
  if (!prices || !price) return book
  const changed: SizePrice = {
    ...dearer(price, factor),
    ...(price.terms && {
      terms: Object.fromEntries(
        Object.entries(price.terms).map(([terms, offer]) => [terms, dearer(offer, factor)]),
      ),
    }),
  }
  return {
    ...book,
    prices: { ...book.prices, [region]: { ...prices, sizes: { ...prices.sizes, [size]: changed } } },
  }
}
