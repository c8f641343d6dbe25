import type { Rate } from '../quantity/rate.ts'
import { keptRate, type RegionIndex } from './bookIndex.ts'
import type { AddressUse } from './regionPrices.ts'

export const addressRate = (
  region: RegionIndex,
  sort: 'fixed' | 'changing',
  use: Exclude<AddressUse, 'none'>,
): Rate | undefined =>
  keptRate(region, 'hour', region.prices.addresses[sort]?.[use], `addresses/${sort}/${use}`)

export const memoryImageRate = (region: RegionIndex): Rate | undefined =>
  keptRate(region, 'month', region.prices.memoryImagePerGiBMonth, 'memoryImagePerGiBMonth')

export const snapshotRate = (region: RegionIndex): Rate | undefined =>
  keptRate(region, 'month', region.prices.snapshotPerGiBMonth, 'snapshotPerGiBMonth')

export const restoreRate = (region: RegionIndex): Rate | undefined =>
  keptRate(region, 'GiB', region.prices.restorePerGiB, 'restorePerGiB')

export interface TrafficBand {
  readonly rate: Rate
  /** End of the band; the last one has none. */
  readonly upToGiB: number | undefined
}

/** The region's bands in order; undefined where it has no price for traffic. */
export function trafficBands(region: RegionIndex): readonly TrafficBand[] | undefined {
  const { trafficOut } = region.prices
  if (!trafficOut || trafficOut.length === 0) return undefined
  return trafficOut.map(({ upToGiB, perGiB }, i) => ({
    rate: keptRate(region, 'GiB', perGiB, `trafficOut/${i}/perGiB`)!,
    upToGiB,
  }))
}
