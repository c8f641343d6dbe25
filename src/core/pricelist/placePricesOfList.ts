import type { RegionPrices } from '../catalogue/regionPrices.ts'
import type { ListCollector } from './ListCollector.ts'
import { bandsInOrder } from './bandsInOrder.ts'

type PlacePrices = Pick<RegionPrices, 'addresses' | 'snapshotPerGiBMonth' | 'trafficOut'>

/** What a list says of a place beside sizes and disks. A fixed address costs the same in every state, as no list says else. */
export function placePricesOfList(
  { addresses, snapshots, traffic }: ListCollector,
  place: string,
): PlacePrices {
  const address = addresses.get(place)?.price
  const snapshot = snapshots.get(place)?.price
  const bands = bandsInOrder(traffic.get(place) ?? [])
  return {
    addresses: address ? { fixed: { attachedOn: address, attachedOff: address, unattached: address } } : {},
    ...(snapshot !== undefined && { snapshotPerGiBMonth: snapshot }),
    ...(bands.length > 0 && {
      trafficOut: bands.map(({ upTo, price }) => ({
        ...(upTo !== undefined && { upToGiB: upTo }),
        perGiB: price,
      })),
    }),
  }
}
