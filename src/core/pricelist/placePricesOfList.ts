import type { RegionPrices } from '../catalogue/priceBook.ts'
import type { ListCollector } from './ListCollector.ts'
import type { PlaceEntry } from './listEntry.ts'

type PlacePrices = Pick<RegionPrices, 'addresses' | 'snapshotPerGiBMonth' | 'trafficOut'>

/** What a list says of a place beside sizes and disks. A fixed address costs the same in every state, as no list says else. */
export function placePricesOfList(
  { addresses, snapshots, traffic }: ListCollector,
  place: string,
): PlacePrices {
  const address = addresses.get(place)?.price
  const snapshot = snapshots.get(place)?.price
  const bands = bandsOf(traffic.get(place) ?? [])
  return {
    addresses: address ? { fixed: { attachedOn: address, attachedOff: address, unattached: address } } : {},
    ...(snapshot !== undefined && { snapshotPerGiBMonth: snapshot }),
    ...(bands.length > 0 && { trafficOut: bands }),
  }
}

/** In order; each ends where the next begins, and what the last costs holds for all beyond it. */
function bandsOf(entries: readonly PlaceEntry[]): NonNullable<RegionPrices['trafficOut']> {
  const beginOf = ({ fromGiB, upToGiB = Infinity }: PlaceEntry): number => fromGiB ?? upToGiB
  const sorted = [...entries].sort((a, b) => beginOf(a) - beginOf(b))
  return sorted.map(({ price, upToGiB }, i) => {
    const next = sorted[i + 1]
    const end = next && (upToGiB ?? next.fromGiB)
    return { ...(end !== undefined && { upToGiB: end }), perGiB: price }
  })
}
