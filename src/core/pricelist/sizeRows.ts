import { ownValue } from '../ownValue.ts'
import type { PriceBook, Size, SizePrice, SizeRateTexts } from '../catalogue/priceBook.ts'
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
  /** Decimal text. */
  readonly price: string
}

/** Where a price stands: a place, and what it is for. */
export interface PricePlace {
  readonly region: string
  readonly period: Period
}

/** The plain rate of a size in a place; undefined where it is not sold there, or only in parts. */
export function plainPrice(
  book: PriceBook,
  sizeId: string,
  { region, period }: PricePlace,
): string | undefined {
  const price = ownValue(ownValue(book.prices, region)?.sizes, sizeId)
  return price && ratesIn(book, price)[FIELD[period]]
}

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

function withPrice(book: PriceBook, id: string, { region, period }: PricePlace, text: string): PriceBook {
  const prices = ownValue(book.prices, region)
  if (!prices) return book
  const before = ownValue(prices.sizes, id) ?? {}
  const { perHour, perMonth, perSecond, ...rates } = ratesIn(book, before)
  const after = withRates(book, before, { ...rates, [FIELD[period]]: text })
  return {
    ...book,
    prices: { ...book.prices, [region]: { ...prices, sizes: { ...prices.sizes, [id]: after } } },
  }
}

/** Id of the flat terms where the book sells on these alone; its plain prices stand with them. */
function flatTerms({ terms }: PriceBook): string | undefined {
  if (terms.some(({ kind }) => kind === 'on-demand')) return undefined
  return terms.find(({ kind }) => kind === 'flat')?.id
}

function ratesIn(book: PriceBook, price: SizePrice): SizeRateTexts {
  const flat = flatTerms(book)
  if (flat !== undefined) return ownValue(price.terms, flat) ?? {}
  const { zones, terms, ...rates } = price
  return rates
}

function withRates(book: PriceBook, price: SizePrice, rates: SizeRateTexts): SizePrice {
  const flat = flatTerms(book)
  const { zones, terms } = price
  if (flat !== undefined) return { ...(zones && { zones }), terms: { ...terms, [flat]: rates } }
  return { ...rates, ...(zones && { zones }), ...(terms && { terms }) }
}
