import { ownValue } from '../ownValue.ts'
import type { PriceBook, Size } from '../catalogue/priceBook.ts'
import type { SizePrice, SizeRateTexts, TermsPrice } from '../catalogue/regionPrices.ts'
import type { GiB } from '../quantity/units.ts'
import { idOf } from './idOf.ts'
import { mapRegions, without } from './mapRegions.ts'
import { FAMILY } from './newBook.ts'

/** What the price of a size is for. */
export const PERIODS = ['hour', 'month', 'second'] as const
export type Period = (typeof PERIODS)[number]

const FIELD = { hour: 'perHour', month: 'perMonth', second: 'perSecond' } as const satisfies Record<
  Period,
  keyof SizeRateTexts
>

/** A size as a row of a book's grid: what it is, and its plain price in one place. */
export interface SizeRow {
  readonly name: string
  readonly vcpu: number
  readonly memoryGiB: GiB
  /** Decimal text; empty where it is not sold there. */
  readonly price: string
}

/** Where a price stands: a place, and what it is for. */
export interface PricePlace {
  readonly region: string
  readonly period: Period
  /** Id of other terms than those that the book's plain prices are on. */
  readonly terms?: string
}

/**
 * The plain rate of a size in a place, of its first hours where they are in bands; undefined where it is not sold there,
 * or only in parts.
 */
export function plainPrice(
  book: PriceBook,
  sizeId: string,
  { region, period, terms }: PricePlace,
): string | undefined {
  const price = ownValue(ownValue(book.prices, region)?.sizes, sizeId)
  if (!price) return undefined
  const rates = ratesIn(book, price, terms)
  return rates[FIELD[period]] ?? (period === 'hour' ? rates.perHourBands?.[0]!.price : undefined)
}

/** Whether a size has any price but the plain one in a place. */
export const isSoldElsewhere = (book: PriceBook, sizeId: string, at: PricePlace): boolean =>
  Object.values(withPrice(book, sizeId, at, '').prices).some(
    ({ sizes }) => ownValue(sizes, sizeId) !== undefined,
  )

/** Puts a size in the book, or changes the one with this id. Its other figures, and its prices elsewhere, stay. */
export function putSize(book: PriceBook, id: string | undefined, row: SizeRow, at: PricePlace): PriceBook {
  const taken = new Set(book.sizes.map((size) => size.id))
  const own = id === undefined ? undefined : book.sizes.find((size) => size.id === id)
  const sizeId = own?.id ?? idOf(row.name, taken, 'size')
  const { name, vcpu, memoryGiB } = row
  const size: Size = {
    ...(own ?? { id: sizeId, family: book.families[0]?.id ?? FAMILY.id }),
    name,
    vcpu,
    memoryGiB,
  }
  return {
    ...withPrice(book, sizeId, at, row.price),
    families: book.families.length > 0 ? book.families : [FAMILY],
    sizes: own ? book.sizes.map((each) => (each === own ? size : each)) : [...book.sizes, size],
  }
}

/** Without a size and its prices. */
export function dropSize(book: PriceBook, id: string): PriceBook {
  const prices = mapRegions(book, (prices) => ({ ...prices, sizes: without(prices.sizes, id) }))
  return { ...book, sizes: book.sizes.filter((size) => size.id !== id), prices }
}

function withPrice(book: PriceBook, id: string, at: PricePlace, text: string): PriceBook {
  const prices = ownValue(book.prices, at.region)
  if (!prices) return book
  const before = ownValue(prices.sizes, id) ?? {}
  const { perHour, perMonth, perSecond, perHourBands, ...rates } = ratesIn(book, before, at.terms)
  // Bands stay until another price than that of the first is said.
  if (perHourBands && at.period === 'hour' && text === perHourBands[0]!.price) return book
  const after = withRates(
    book,
    before,
    text === '' ? rates : { ...rates, [FIELD[at.period]]: text },
    at.terms,
  )
  const sizes = isPriced(after) ? { ...prices.sizes, [id]: after } : without(prices.sizes, id)
  return { ...book, prices: { ...book.prices, [at.region]: { ...prices, sizes } } }
}

const isPriced = ({ zones, licences, terms = {}, ...rates }: SizePrice): boolean =>
  Object.keys(rates).length + Object.keys(terms).length > 0

/** Id of the flat terms where the book sells on these alone; its plain prices stand with them. */
function flatTerms({ terms }: PriceBook): string | undefined {
  if (terms.some(({ kind }) => kind === 'on-demand')) return undefined
  return terms.find(({ kind }) => kind === 'flat')?.id
}

/** Rates on some terms; on those of the plain prices where none are named. */
function ratesIn(book: PriceBook, price: SizePrice, asked?: string): TermsPrice {
  const id = asked ?? flatTerms(book)
  if (id !== undefined) return ownValue(price.terms, id) ?? {}
  const { zones, terms, licences, ...rates } = price
  return rates
}

function withRates(book: PriceBook, price: SizePrice, rates: TermsPrice, asked?: string): SizePrice {
  const id = asked ?? flatTerms(book)
  if (id === undefined) {
    const { zones, terms, licences } = price
    return { ...rates, ...(zones && { zones }), ...(terms && { terms }), ...(licences && { licences }) }
  }
  const { terms: before = {}, ...others } = price
  const terms = Object.keys(rates).length > 0 ? { ...before, [id]: rates } : without(before, id)
  return { ...others, ...(Object.keys(terms).length > 0 && { terms }) }
}
