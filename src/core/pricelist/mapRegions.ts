import type { PriceBook } from '../catalogue/priceBook.ts'
import type { RegionPrices } from '../catalogue/regionPrices.ts'

/** The prices of every region changed alike. O(regions). */
export const mapRegions = (
  { prices }: PriceBook,
  change: (prices: RegionPrices, region: string) => RegionPrices,
): PriceBook['prices'] =>
  Object.fromEntries(Object.entries(prices).map(([region, each]) => [region, change(each, region)]))

/** A record without one of its names. */
export const without = <T>(
  record: { readonly [key: string]: T },
  key: string,
): { readonly [key: string]: T } =>
  Object.fromEntries(Object.entries(record).filter(([name]) => name !== key))
