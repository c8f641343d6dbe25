import type { DiskKind } from '../catalogue/priceBook.ts'
import type { DiskPrice } from '../catalogue/regionPrices.ts'
import type { GiB } from '../quantity/units.ts'
import type { ListCollector } from './ListCollector.ts'
import { bandsInOrder } from './bandsInOrder.ts'
import type { DiskEntry } from './listEntry.ts'
import { ANY_ROOM } from './newBook.ts'

interface ListedKind {
  readonly name: string
  readonly room: DiskKind['room']
  /** By place. */
  readonly prices: ReadonlyMap<string, DiskPrice>
}

/**
 * A kind is sold by the GiB, or by the whole disk; one that is sold both ways is taken by the GiB. A place that lacks a
 * step does not sell the kind: a book has a price for every one.
 */
export const diskKindsOfList = ({ disks }: ListCollector): ListedKind[] =>
  [...disks.values()].map(({ name, prices, bands }) => {
    const rooms = new Set([...prices.values()].flatMap((there) => [...there.keys()]))
    if (rooms.has(undefined) || bands.size > 0) {
      return {
        name,
        room: ANY_ROOM,
        prices: new Map<string, DiskPrice>([
          ...[...bands].map(([place, there]) => [place, inBands(there)] as const),
          ...[...prices].flatMap(([place, there]) => {
            const price = there.get(undefined)
            return price ? [[place, { perGiBMonth: price.price }] as const] : []
          }),
        ]),
      }
    }
    const stepsGiB = ([...rooms] as GiB[]).sort((a, b) => a - b)
    return {
      name,
      room: { by: 'step', stepsGiB },
      prices: new Map(
        [...prices].flatMap(([place, there]) =>
          stepsGiB.every((step) => there.has(step))
            ? [[place, { perMonthByStep: byStep(stepsGiB, there) }] as const]
            : [],
        ),
      ),
    }
  })

/** One band is a price for every GiB. */
function inBands(listed: readonly DiskEntry[]): DiskPrice {
  const bands = bandsInOrder(listed)
  return bands.length === 1 ? { perGiBMonth: bands[0]!.price } : { perGiBMonthBands: bands }
}

const byStep = (stepsGiB: readonly GiB[], there: ReadonlyMap<GiB | undefined, { readonly price: string }>) =>
  Object.fromEntries(stepsGiB.map((step) => [String(step), there.get(step)!.price]))
