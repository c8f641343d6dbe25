import { compare, toNumber } from '../quantity/exact.ts'
import { offerIn, type FieldLane, type FieldOffers } from './fieldOffers.ts'
import type { Grouping } from './offerGroups.ts'
import { offerTotal, type MarketOffer } from './offerTotal.ts'

export interface GroupBest {
  readonly offer: MarketOffer
  readonly lane: FieldLane
  /** Its place among the sizes of the lane. */
  readonly at: number
}

/**
 * The cheapest offer of each group in reach by its exact month, the cheapest first; of more groups than `most`, those with
 * the least bounds. O(lanes + sizes) beside what is priced; O(offers) where each is by itself.
 */
export function bestOfEach(field: FieldOffers, grouping: Grouping, most = Infinity): GroupBest[] {
  const { lanes, leastOfSizes, costs, sizes } = field
  const least = new Float64Array(grouping.groups).fill(Infinity)
  const note = (group: number, cost: number): void => {
    if (group >= 0 && cost < least[group]!) least[group] = cost
  }
  if (grouping.by === 'lane') for (const lane of lanes) note(grouping.of(lane), lane.least)
  else if (grouping.by === 'offer')
    for (const lane of lanes)
      for (let at = 0; at < sizes[lane.seller]!.length; at += 1)
        note(grouping.of(lane, at), costs[lane.start + at]!)
  else
    for (const [seller, costs] of leastOfSizes.entries())
      for (const [at, cost] of costs.entries()) note(grouping.of(seller, at), cost)
  const leading = [...least.keys()].filter((group) => least[group]! < Infinity)
  leading.sort((a, b) => least[a]! - least[b]!)
  const looked = new Set(leading.slice(0, most))
  const best = new Map<number, GroupBest>()
  // Up to its limit a group may have something cheaper: at first its least bound, then the month of its best so far.
  const limits = least.map((cost, group) => (looked.has(group) ? cost * (1 + 2e-9) + 2e-9 : -Infinity))
  const consider = (group: number, lane: FieldLane, at: number): void => {
    const known = best.get(group)
    const offer = priceAt(field, lane, at)
    if (!offer || (known && compare(offer.total, known.offer.total) >= 0)) return
    best.set(group, { offer, lane, at })
  }
  forEachUpTo(field, grouping, limits, (group, lane, at) => best.has(group) || consider(group, lane, at))
  // Bounds of prices that go by hours can be low: what lies below the first that was priced is priced too.
  const found = limits.map((_, group) => {
    const known = best.get(group)
    if (!known) return looked.has(group) ? Number.MAX_VALUE : -Infinity
    return toNumber(known.offer.total) * (1 - 2e-9) - 2e-9
  })
  forEachUpTo(field, grouping, found, consider)
  return [...best.values()].sort((a, b) => compare(a.offer.total, b.offer.total))
}

/** Every offer in reach that costs no more than the limit of its group: lanes in which nothing does are passed over. */
function forEachUpTo(
  { lanes, costs, sizes, leastOfSizes }: FieldOffers,
  grouping: Grouping,
  limits: Float64Array,
  see: (group: number, lane: FieldLane, at: number) => void,
): void {
  const wanted = grouping.by === 'size' ? sizesUpTo(leastOfSizes, grouping, limits) : undefined
  for (const lane of lanes) {
    if (!lane.isInReach) continue
    if (wanted) {
      for (const { at, group } of wanted[lane.seller]!)
        if (costs[lane.start + at]! <= limits[group]!) see(group, lane, at)
      continue
    }
    const { length } = sizes[lane.seller]!
    if (grouping.by === 'offer') {
      for (let at = 0; at < length; at += 1) {
        const group = grouping.of(lane, at)
        if (group >= 0 && costs[lane.start + at]! <= limits[group]!) see(group, lane, at)
      }
      continue
    }
    const group = grouping.by === 'size' ? -1 : grouping.of(lane)
    if (group < 0 || lane.least > limits[group]!) continue
    for (let at = 0; at < length; at += 1) if (costs[lane.start + at]! <= limits[group]!) see(group, lane, at)
  }
}

/** Fitting sizes of each seller of which some offer costs no more than the limit of their group. */
const sizesUpTo = (
  leastOfSizes: FieldOffers['leastOfSizes'],
  grouping: Extract<Grouping, { by: 'size' }>,
  limits: Float64Array,
): { readonly at: number; readonly group: number }[][] =>
  leastOfSizes.map((costs, seller) =>
    [...costs].flatMap((cost, at) => {
      const group = grouping.of(seller, at)
      return group >= 0 && cost <= limits[group]! ? [{ at, group }] : []
    }),
  )

function priceAt(field: FieldOffers, lane: FieldLane, at: number): MarketOffer | undefined {
  return offerTotal(field.questions[lane.seller]!, offerIn(field, lane, at))
}
