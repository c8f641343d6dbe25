import type { PriceBook } from '../catalogue/priceBook.ts'
import type { LicencePrices, PriceBand, RegionPrices, SizeRateTexts } from '../catalogue/regionPrices.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { compare, toNumber } from '../quantity/exact.ts'

/** One price of a book: of what, where, on which terms, and for what. */
interface ListedPrice {
  readonly of: 'size' | 'disk' | 'address' | 'other'
  /** Id of the size or kind of disk, or what else it is the price of. */
  readonly id: string
  readonly region: string
  readonly terms?: string
  /** The field that holds it, such as `perHour`; a step of a disk by its room. */
  readonly rate: string
  readonly text: string
}

/** A price in two editions; absent where it is not sold. */
export interface PriceChange extends Omit<ListedPrice, 'text'> {
  readonly before?: string
  readonly after?: string
  /** What it costs then, as times what it did; where both are known and it was not free. */
  readonly factor?: number
}

export interface EditionChanges {
  readonly added: readonly PriceChange[]
  readonly gone: readonly PriceChange[]
  /** The most first. */
  readonly dearer: readonly PriceChange[]
  readonly cheaper: readonly PriceChange[]
  readonly same: number
}

/** What changed between two editions of a provider, price by price. O(prices). */
export function compareEditions(before: PriceBook, after: PriceBook): EditionChanges {
  const old = new Map([...listedPrices(before)].map((price) => [keyOf(price), price]))
  const added: PriceChange[] = []
  const dearer: PriceChange[] = []
  const cheaper: PriceChange[] = []
  let same = 0
  for (const { text, ...price } of listedPrices(after)) {
    const was = old.get(keyOf(price))
    old.delete(keyOf(price))
    if (!was) {
      added.push({ ...price, after: text })
      continue
    }
    const [one, other] = [parseDecimal(was.text)!, parseDecimal(text)!]
    const sign = compare(other, one)
    const known = one.n === 0n ? {} : { factor: toNumber(other) / toNumber(one) }
    if (sign === 0) same += 1
    else (sign > 0 ? dearer : cheaper).push({ ...price, before: was.text, after: text, ...known })
  }
  const gone = [...old.values()].map(({ text, ...price }): PriceChange => ({ ...price, before: text }))
  const byMost = (a: PriceChange, b: PriceChange): number =>
    Math.abs((b.factor ?? Infinity) - 1) - Math.abs((a.factor ?? Infinity) - 1)
  return { added, gone, dearer: dearer.sort(byMost), cheaper: cheaper.sort(byMost), same }
}

const keyOf = ({ of, id, region, terms = '', rate }: Omit<ListedPrice, 'text'>): string =>
  [of, id, region, terms, rate].join('\n')

/** Every price of a book. O(prices). */
function* listedPrices(book: PriceBook): Generator<ListedPrice> {
  for (const [region, prices] of Object.entries(book.prices)) yield* pricesIn(region, prices)
  for (const { id, perVcpuHour } of book.licences) {
    if (perVcpuHour !== undefined)
      yield { of: 'other', id, region: '', rate: 'perVcpuHour', text: perVcpuHour }
  }
}

function* pricesIn(region: string, prices: RegionPrices): Generator<ListedPrice> {
  for (const [id, { zones, terms = {}, licences, perHourBands, ...rates }] of Object.entries(prices.sizes)) {
    yield* ratesOf(rates, { of: 'size', id, region })
    yield* bandsOf(perHourBands, { of: 'size', id, region })
    yield* licenceRates(licences, { of: 'size', id, region })
    for (const [name, offer] of Object.entries(terms)) {
      const { interruption, licences: onTerms, perHourBands: bandsOnTerms, ...own } = offer
      yield* ratesOf(own, { of: 'size', id, region, terms: name })
      yield* bandsOf(bandsOnTerms, { of: 'size', id, region, terms: name })
      yield* licenceRates(onTerms, { of: 'size', id, region, terms: name })
    }
  }
  for (const [id, { perMonthByStep = {}, perGiBMonthBands, ...rates }] of Object.entries(prices.disks)) {
    yield* ratesOf(rates, { of: 'disk', id, region })
    yield* bandsOf(perGiBMonthBands, { of: 'disk', id, region })
    yield* ratesOf(perMonthByStep, { of: 'disk', id, region })
  }
  for (const [id, rates] of Object.entries(prices.addresses))
    yield* ratesOf(rates, { of: 'address', id, region })
  const { sizes, disks, addresses, trafficOut = [], ...others } = prices
  for (const [id, text] of Object.entries(others))
    yield { of: 'other', id, region, rate: id, text: text as string }
  for (const [i, { perGiB }] of trafficOut.entries()) {
    yield { of: 'other', id: 'trafficOut', region, rate: `band ${i + 1}`, text: perGiB }
  }
}

function* bandsOf(
  bands: readonly PriceBand[] | undefined,
  of: Omit<ListedPrice, 'rate' | 'text'>,
): Generator<ListedPrice> {
  for (const [i, { price }] of (bands ?? []).entries()) yield { ...of, rate: `band ${i + 1}`, text: price }
}

function* licenceRates(
  licences: LicencePrices | undefined,
  of: Omit<ListedPrice, 'rate' | 'text'>,
): Generator<ListedPrice> {
  for (const [id, prices] of Object.entries(licences ?? {})) {
    for (const [rate, text] of Object.entries(prices)) yield { ...of, rate: `licences/${id}/${rate}`, text }
  }
}

function* ratesOf(
  rates: SizeRateTexts | { readonly [rate: string]: string | undefined },
  of: Omit<ListedPrice, 'rate' | 'text'>,
): Generator<ListedPrice> {
  for (const [rate, text] of Object.entries(rates)) {
    if (text !== undefined) yield { ...of, rate, text: text as string }
  }
}
