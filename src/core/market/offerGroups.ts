import type { Grouping } from './bestOfEach.ts'
import type { FieldOffers } from './fieldOffers.ts'
import type { OfferGrouping } from './offerGrouping.ts'

/** How offers of a field fall into groups; those that `isIn` refuses into none. */
export function offerGroups(
  field: FieldOffers,
  by: OfferGrouping | 'measure',
  isIn: (at: number) => boolean = () => true,
): Grouping {
  const { sellers, regions, sizes, measured } = field
  const groups = new Map<string | number, number>()
  const groupOf = (name: string | number | undefined): number => {
    if (name === undefined || Number.isNaN(name)) return -1
    let group = groups.get(name)
    if (group === undefined) groups.set(name, (group = groups.size))
    return group
  }
  if (by === 'measure') {
    // As many values as places or sizes at the most, though each offer is asked: they are told apart first.
    const of = Int32Array.from({ length: field.count }, (_, at) => (isIn(at) ? groupOf(measured[at]) : -1))
    return { groups: groups.size, of: (at) => of[at]! }
  }
  const tables = field.questions.map(({ basis: { columns } }, seller): Int32Array => {
    const provider = columns.index.book.provider.id
    if (by === 'provider') return Int32Array.of(groupOf(seller))
    if (by === 'family')
      return Int32Array.from(columns.sizes, ({ family }) => groupOf(`${provider}/${family}`))
    return Int32Array.from(columns.regions, ({ region }) =>
      groupOf(by === 'country' ? region.country : `${provider}/${region.id}`),
    )
  })
  const slotOf = (at: number): number => (by === 'provider' ? 0 : by === 'family' ? sizes[at]! : regions[at]!)
  return { groups: groups.size, of: (at) => (isIn(at) ? tables[sellers[at]!]![slotOf(at)]! : -1) }
}
