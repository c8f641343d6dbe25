import { measureOfSizes, type FieldLane, type FieldOffers } from './fieldOffers.ts'
import type { OfferGrouping } from './offerGrouping.ts'

/** How the offers of a field fall into groups: by the lane that they stand in, or by their size. -1 is in none. */
export type Grouping = { readonly groups: number } & (
  | { readonly by: 'lane'; readonly of: (lane: FieldLane) => number }
  | { readonly by: 'size'; readonly of: (seller: number, at: number) => number }
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
  if (by === 'family' || (by === 'measure' && measure !== 'round-trip')) {
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

function nameOf(
  { questions }: FieldOffers,
  { seller, region: at, roundTripMs }: FieldLane,
  by: Exclude<OfferGrouping, 'family'> | 'measure',
): string | number | undefined {
  if (by === 'measure') return roundTripMs
  if (by === 'provider') return seller
  const { index, regions } = questions[seller]!.basis.columns
  const { region } = regions[at]!
  return by === 'country' ? region.country : `${index.book.provider.id}/${region.id}`
}
