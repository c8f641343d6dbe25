import { rate, type Rate, type RatePer } from '../quantity/rate.ts'
import { pointerIn, type RegionIndex } from './bookIndex.ts'
import type { PriceBand } from './regionPrices.ts'

/** The rate of one band, and the part of the quantity that it is for. */
export interface BandRate {
  readonly rate: Rate
  readonly at: number
  readonly count: number
  readonly from: number
  /** Infinity for the last one. */
  readonly to: number
}

/** Rates of the bands at `path` in a region's prices, read from their text; in order, without gaps. O(bands). */
export const bandRates = (
  region: RegionIndex,
  per: RatePer,
  bands: readonly PriceBand[],
  path: string,
): BandRate[] =>
  bands.map(({ upTo = Infinity, price }, at) => ({
    rate: rate(price, per, pointerIn(region, `${path}/${at}/price`)),
    at,
    count: bands.length,
    from: bands[at - 1]?.upTo ?? 0,
    to: upTo,
  }))
