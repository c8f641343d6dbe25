import { compare, toNumber } from '../quantity/exact.ts'
import { offerIn, type FieldOffers } from './fieldOffers.ts'
import { offerTotal, type MarketOffer } from './offerTotal.ts'

/** In more groups than these the best is not looked for: the cheapest groups are. */
const MOST_GROUPS = 400

/** The group of an offer by its position in the field, from 0; -1 leaves it out. */
export interface Grouping {
  readonly groups: number
  readonly of: (at: number) => number
}

export interface GroupBest {
  readonly offer: MarketOffer
  /** Its position in the field. */
  readonly at: number
}

/**
 * The cheapest offer of each group by its exact month, the cheapest first. O(offers) beside what is
 * priced: in each group only what could still be its cheapest.
 */
export function bestOfEach(field: FieldOffers, { groups, of }: Grouping): GroupBest[] {
  const { count, costs } = field
  const least = new Int32Array(groups).fill(-1)
  for (let at = 0; at < count; at += 1) {
    const group = of(at)
    if (group >= 0 && (least[group]! < 0 || costs[at]! < costs[least[group]!]!)) least[group] = at
  }
  const leading = [...least.keys()].filter((group) => least[group]! >= 0)
  leading.sort((a, b) => costs[least[a]!]! - costs[least[b]!]!)
  const best = new Map<number, GroupBest>()
  // Bounds of prices that go by hours can be low: below its limit a group has something that may be cheaper.
  const limits = new Float64Array(groups).fill(-Infinity)
  for (const group of leading.slice(0, MOST_GROUPS)) {
    const offer = priceAt(field, least[group]!)
    if (offer) best.set(group, { offer, at: least[group]! })
    limits[group] = offer ? limitOf(offer) : Infinity
  }
  for (let at = 0; at < count; at += 1) {
    const group = of(at)
    if (group < 0 || costs[at]! >= limits[group]! || least[group] === at) continue
    const offer = priceAt(field, at)
    const known = best.get(group)
    if (!offer || (known && compare(offer.total, known.offer.total) >= 0)) continue
    best.set(group, { offer, at })
    limits[group] = limitOf(offer)
  }
  return [...best.values()].sort((a, b) => compare(a.offer.total, b.offer.total))
}

/** Below this a bound may belong to something cheaper; nearer than rounding they are the same. */
const limitOf = ({ total }: MarketOffer): number => toNumber(total) * (1 - 2e-9) - 2e-9

function priceAt(field: FieldOffers, at: number): MarketOffer | undefined {
  const offer = offerIn(field, at)
  return offerTotal(field.questions[offer.seller]!, offer)
}
