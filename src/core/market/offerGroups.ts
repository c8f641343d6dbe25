import type { FieldLane, FieldOffers } from './fieldOffers.ts'
import { laneMeasure, measureOfSizes } from './laneMeasure.ts'
import { measuredBy } from './fieldMeasure.ts'
import type { OfferGrouping } from './offerGrouping.ts'

/** How the offers of a field fall into groups: by the lane that they stand in, by their size, or each by itself. -1 is in none. */
export type Grouping = { readonly groups: number } & (
  | { readonly by: 'lane'; readonly of: (lane: FieldLane) => number }
  | { readonly by: 'size'; readonly of: (seller: number, at: number) => number }
  | { readonly by: 'offer'; readonly of: (lane: FieldLane, at: number) => number }
)

export function offerGroups(field: FieldOffers, by: OfferGrouping | 'measure'): Grouping {
  const { questions, sizes, lanes, measure } = field
  const groups = new Map<string | number, number>()
  const groupOf = (name: string | number | undefined): number => {
    if (name === undefined || Number.isNaN(name)) return -1
    let group = groups.get(name)
    if (group === undefined) groups.set(name, (group = groups.size))
    return group
  }
  if (by === 'measure' && measure === 'pays-after') return byOffer(field, groupOf, groups)
  // Of all that pass the same IOPS the cheapest has most for its money.
  if (by === 'family' || (by === 'measure' && measuredBy(measure) !== 'lane')) {
    const tables = questions.map(({ basis: { columns } }, seller): Int32Array => {
      const measured = by === 'measure' ? measureOfSizes(field, seller) : undefined
      const provider = columns.index.book.provider.id
      return Int32Array.from(sizes[seller]!, (size, at) =>
        groupOf(measured ? measured[at] : `${provider}/${columns.sizes[size]!.family}`),
      )
    })
    return { groups: groups.size, by: 'size', of: (seller, at) => tables[seller]![at]! }
  }
  const ofLane = new Map(lanes.map((lane) => [lane, lane.isInReach ? groupOf(nameOf(field, lane, by)) : -1]))
  return { groups: groups.size, by: 'lane', of: (lane) => ofLane.get(lane)! }
}

/** Whole hours: there are no more of them than a few years have. */
function byOffer(
  field: FieldOffers,
  groupOf: (value: number) => number,
  groups: ReadonlyMap<unknown, number>,
): Grouping {
  const { lanes, sizes, costs } = field
  const of = new Int32Array(costs.length).fill(-1)
  for (const lane of lanes) {
    const measured = laneMeasure(field, lane)
    if (measured.of !== 'each' || !lane.isInReach) continue
    const { length } = sizes[lane.seller]!
    for (let at = 0; at < length; at += 1)
      if (costs[lane.start + at]! < Infinity) of[lane.start + at] = groupOf(measured.values(at))
  }
  return { groups: groups.size, by: 'offer', of: ({ start }, at) => of[start + at]! }
}

function nameOf(
  { questions }: FieldOffers,
  { seller, region: at, measured }: FieldLane,
  by: Exclude<OfferGrouping, 'family'> | 'measure',
): string | number | undefined {
  if (by === 'measure') return measured
  if (by === 'provider') return seller
  const { index, regions } = questions[seller]!.basis.columns
  const { region } = regions[at]!
  return by === 'country' ? region.country : `${index.book.provider.id}/${region.id}`
}
