import { apartSeating } from './apartSeating.ts'
import type { MixGroup } from './mixGroup.ts'
import type { MixMover } from './mixMover.ts'
import type { MarketOffer } from './offerTotal.ts'

/** Machines that can move, and what each costs where. */
export interface MoversByPlace {
  readonly movers: readonly MixMover[]
  /** By mover: by place. */
  readonly costs: readonly Float64Array[]
  readonly groups: readonly MixGroup[]
}

/** The cheapest offer of each mover at some of the places, as if it shared nothing; undefined where it fits at none of them. */
export function offersAmong(
  { movers, costs, groups }: MoversByPlace,
  among: readonly number[],
): (MarketOffer | undefined)[] {
  const offers = movers.map(({ offers }, at) => {
    const place = among.reduce((low, each) => (costs[at]![each]! < costs[at]![low]! ? each : low), among[0]!)
    return costs[at]![place]! < Infinity ? offers.get(place) : undefined
  })
  for (const group of groups) {
    const { seats } = apartSeating(group.seats, new Set(among))
    group.movers.forEach((mover, i) => (offers[mover] = group.offers[i]![seats[i]!]))
  }
  return offers
}
