import { ownValue } from '../ownValue.ts'
import { keptFor } from '../keptFor.ts'
import { rate, type Rate, type RatePer } from '../quantity/rate.ts'
import type { DiskKind, Image, Licence, PriceBook, Region, Size, Terms } from './priceBook.ts'
import type { RegionPrices } from './regionPrices.ts'

/**
 * Look-ups over one price book. Rates are read from their decimal text when first asked for and then kept, region by
 * region, so that opening a large book costs nothing and pricing it again costs a map look-up.
 */
export interface BookIndex {
  readonly book: PriceBook
  readonly sizes: ReadonlyMap<string, Size>
  readonly diskKinds: ReadonlyMap<string, DiskKind>
  readonly images: ReadonlyMap<string, Image>
  readonly terms: ReadonlyMap<string, Terms>
  readonly licences: ReadonlyMap<string, { readonly licence: Licence; readonly rate?: Rate }>
  readonly regions: ReadonlyMap<string, RegionIndex>
}

export interface RegionIndex {
  readonly region: Region
  readonly prices: RegionPrices
  readonly rates: Map<string, Rate>
}

const byId = <T extends { readonly id: string }>(items: readonly T[]): Map<string, T> =>
  new Map(items.map((item) => [item.id, item]))

const NOTHING_SOLD: RegionPrices = { sizes: {}, disks: {}, addresses: {} }

/** The book must have passed validation: ids are unique and safe in a JSON Pointer, references resolve. */
export const indexBook = keptFor((book: PriceBook): BookIndex => ({
  book,
  sizes: byId(book.sizes),
  diskKinds: byId(book.diskKinds),
  images: byId(book.images),
  terms: byId(book.terms),
  licences: new Map(
    book.licences.map((licence, i) => [
      licence.id,
      {
        licence,
        ...(licence.perVcpuHour !== undefined && {
          rate: rate(licence.perVcpuHour, 'hour', `/licences/${i}/perVcpuHour`),
        }),
      },
    ]),
  ),
  regions: new Map(
    book.regions.map((region) => [
      region.id,
      {
        region,
        prices: ownValue(book.prices, region.id) ?? NOTHING_SOLD,
        rates: new Map(),
      },
    ]),
  ),
}))

/** JSON Pointer of a place among a region's prices. */
export const pointerIn = (region: RegionIndex, path: string): string => `/prices/${region.region.id}/${path}`

/** A rate of the region that is read from its text when first asked for; undefined where the book has none. */
export function keptRate(
  region: RegionIndex,
  per: RatePer,
  text: string | undefined,
  path: string,
): Rate | undefined {
  if (text === undefined) return undefined
  let kept = region.rates.get(path)
  if (!kept) region.rates.set(path, (kept = rate(text, per, pointerIn(region, path))))
  return kept
}

/** The zones of the region that sell the size; none where the region does not. */
export function zonesSelling(region: RegionIndex, sizeId: string): readonly string[] {
  const price = ownValue(region.prices.sizes, sizeId)
  return price ? (price.zones ?? region.region.zones) : []
}
