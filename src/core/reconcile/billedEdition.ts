import type { PriceBook } from '../catalogue/priceBook.ts'
import type { SizeRateTexts } from '../catalogue/regionPrices.ts'
import type { Machine } from '../machine/plan.ts'
import { ownValue } from '../ownValue.ts'
import { parseDecimal, toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { multiply, type Exact } from '../quantity/exact.ts'
import type { Cause } from './cause.ts'

const PRICE_DECIMALS = 6
const AN_HOUR: Exact = { n: 3_600n, d: 1n }

/**
 * The book with the price of a machine’s size as it was billed, as an edition of its own from the first day of that price
 * on. Undefined where the size has no price by the hour alone, so that the bill’s would have to be parted.
 */
export function billedEdition(book: PriceBook, machine: Machine, cause: Cause): PriceBook | undefined {
  const { region, size, terms } = machine
  const { prices, since } = cause
  const ofRegion = ownValue(book.prices, region)
  const price = ofRegion && ownValue(ofRegion.sizes, size)
  const isOnDemand = book.terms.find(({ id }) => id === terms)?.kind === 'on-demand'
  const offer = isOnDemand ? price : ownValue(price?.terms, terms)
  if (
    !ofRegion ||
    !price ||
    !offer ||
    !prices ||
    cause.meter !== 'machine-time' ||
    cause.unit !== 'time' ||
    !isByTheHour(offer)
  )
    return undefined
  const perHour = trimDecimal(toDecimal(multiply(prices.billed, AN_HOUR), PRICE_DECIMALS))
  if (!parseDecimal(perHour) || perHour === offer.perHour) return undefined
  const changed = isOnDemand
    ? { ...price, perHour }
    : { ...price, terms: { ...price.terms, [terms]: { ...offer, perHour } } }
  const from = since ?? book.valid.from
  return {
    ...book,
    edition: `${from}-billed`,
    valid: { from },
    prices: { ...book.prices, [region]: { ...ofRegion, sizes: { ...ofRegion.sizes, [size]: changed } } },
  }
}

const OTHERS = [
  'perSecond',
  'perMonth',
  'perVcpuHour',
  'perCoreHour',
  'perGiBHour',
] as const satisfies readonly (keyof SizeRateTexts)[]

const isByTheHour = (offer: SizeRateTexts & { readonly perHourBands?: unknown }): boolean =>
  offer.perHour !== undefined &&
  offer.perHourBands === undefined &&
  OTHERS.every((field) => offer[field] === undefined)
