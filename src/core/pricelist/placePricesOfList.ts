import type { AddressPrice, RegionPrices } from '../catalogue/regionPrices.ts'
import type { ListCollector } from './ListCollector.ts'
import type { ListedAddressUse } from './addressUseOfText.ts'
import { bandsInOrder } from './bandsInOrder.ts'

type PlacePrices = Pick<RegionPrices, 'addresses' | 'snapshotPerGiBMonth' | 'trafficOut'>

/** What a list says of a place beside sizes and disks. */
export function placePricesOfList(
  { addresses, snapshots, traffic }: ListCollector,
  place: string,
): PlacePrices {
  const fixed = addressPrice(addresses.get(place))
  const snapshot = snapshots.get(place)?.price
  const bands = bandsInOrder(traffic.get(place) ?? [])
  return {
    addresses: fixed ? { fixed } : {},
    ...(snapshot !== undefined && { snapshotPerGiBMonth: snapshot }),
    ...(bands.length > 0 && {
      trafficOut: bands.map(({ upTo, price }) => ({
        ...(upTo !== undefined && { upToGiB: upTo }),
        perGiB: price,
      })),
    }),
  }
}

type ListedAddresses = ListCollector['addresses'] extends Map<string, infer Found> ? Found : never

/** What of the uses the list leaves open costs what the nearest does that it names; where only loose ones cost something, held ones are free. */
function addressPrice(listed: ListedAddresses | undefined): AddressPrice | undefined {
  if (!listed) return undefined
  const priceOf = (use: ListedAddressUse | undefined): string | undefined => listed.get(use)?.price
  const held = priceOf('attached') ?? priceOf(undefined)
  const on = priceOf('attachedOn') ?? held
  const off = priceOf('attachedOff') ?? held
  const loose = priceOf('unattached') ?? priceOf(undefined)
  return {
    attachedOn: on ?? off ?? '0',
    attachedOff: off ?? on ?? '0',
    unattached: loose ?? off ?? on ?? '0',
  }
}

/** Whether a list says of every place what an address costs in each use. */
export const saysEveryUse = ({ addresses }: ListCollector): boolean =>
  [...addresses.values()].every(
    (listed) =>
      listed.has('unattached') &&
      (listed.has('attached') || (listed.has('attachedOn') && listed.has('attachedOff'))),
  )
