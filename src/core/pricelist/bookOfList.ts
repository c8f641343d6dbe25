import type { PriceBook, RegionPrices, SizePrice } from '../catalogue/priceBook.ts'
import { withManner, type Manner } from '../manner/manners.ts'
import type { GiB } from '../quantity/units.ts'
import { idOf } from './idOf.ts'
import type { MappingQuestion } from './listMapping.ts'
import type { ListCollector } from './ListCollector.ts'
import { ANY_ROOM, FAMILY, newBook, ONE_ZONE, UNPRICED_DISK, type NewBook } from './newBook.ts'

/** Prices as a book: what the list says, charged in a manner, and the rest not known. O(prices). */
export function bookOfList(
  found: ListCollector,
  head: Omit<NewBook, 'place'>,
  manner: Manner,
  unsure: readonly MappingQuestion[],
): PriceBook {
  const names = [...found.places]
  const placeIds = idsOf(names, 'place')
  const regions = names.map((name) => ({ id: placeIds.get(name)!, name, zones: [ONE_ZONE] }))
  const sizes = [...found.sizes.values()].filter(({ prices }) => prices.size > 0)
  const sizeIds = idsOf(
    sizes.map(({ name }) => name),
    'size',
  )
  const familyNames = [...new Set(sizes.map(({ family }) => family ?? FAMILY.name))]
  const familyIds = idsOf(familyNames, 'family')
  const disks = disksOf(found)
  const diskIds = idsOf(
    disks.map(({ name }) => name),
    'disk',
  )
  const start = newBook({ ...head, place: regions[0] ?? { id: 'place', name: 'Place' } })
  const prices = new Map<string, { sizes: [string, SizePrice][]; disks: RegionPrices['disks'] }>()
  for (const { id } of regions) prices.set(id, { sizes: [], disks: {} })
  for (const { name, prices: own } of sizes) {
    for (const [place, { price, period }] of own) {
      const rate =
        period === 'hour'
          ? { perHour: price }
          : period === 'month'
            ? { perMonth: price }
            : { perSecond: price }
      prices.get(placeIds.get(place)!)!.sizes.push([sizeIds.get(name)!, rate])
    }
  }
  for (const [place, id] of placeIds) {
    prices.get(id)!.disks =
      disks.length === 0
        ? { [UNPRICED_DISK.id]: { perGiBMonth: '0' } }
        : Object.fromEntries(
            disks.flatMap((disk) => {
              const price = disk.prices.get(place)
              return price ? [[diskIds.get(disk.name)!, price]] : []
            }),
          )
  }
  const book: PriceBook = {
    ...start,
    regions: regions.length > 0 ? regions : start.regions,
    families: familyNames.map((name) => ({ id: familyIds.get(name)!, name })),
    sizes: sizes.map(({ name, vcpu, memoryGiB, architecture, family }) => ({
      id: sizeIds.get(name)!,
      name,
      family: familyIds.get(family ?? FAMILY.name)!,
      vcpu,
      memoryGiB,
      ...(architecture && { architecture }),
    })),
    diskKinds:
      disks.length === 0
        ? [UNPRICED_DISK]
        : disks.map(({ name, room }) => ({ id: diskIds.get(name)!, name, room, boots: true })),
    prices:
      regions.length === 0
        ? start.prices
        : Object.fromEntries(
            [...prices].map(([id, each]) => [
              id,
              { sizes: Object.fromEntries(each.sizes), disks: each.disks, addresses: {} },
            ]),
          ),
    assumed: [
      ...(start.assumed ?? []).filter(({ about }) => disks.length === 0 || about !== 'disk-price'),
      ...unsure.map((question) => ({ about: assumptionOf(question), from: 'list' })),
    ],
  }
  return withManner(book, manner)
}

/** What is assumed in a book where an answer about its list is. */
const assumptionOf = (question: MappingQuestion): string =>
  question.startsWith('field/') ? `list-${question.slice(6)}` : `list-of-${question.toLowerCase()}`

const idsOf = (names: readonly string[], fallback: string): ReadonlyMap<string, string> => {
  const taken = new Set<string>()
  return new Map(
    names.map((name) => {
      const id = idOf(name, taken, fallback)
      taken.add(id)
      return [name, id]
    }),
  )
}

/** A kind is sold by the GiB, or by the whole disk; one that is sold both ways is taken by the GiB. */
function disksOf({ disks }: ListCollector) {
  return [...disks.values()].map(({ name, prices }) => {
    const rooms = new Set([...prices.values()].flatMap((there) => [...there.keys()]))
    if (rooms.has(undefined)) {
      return {
        name,
        room: ANY_ROOM,
        prices: new Map(
          [...prices].flatMap(([place, there]) => {
            const price = there.get(undefined)
            return price ? [[place, { perGiBMonth: price.price }] as const] : []
          }),
        ),
      }
    }
    const stepsGiB = ([...rooms] as GiB[]).sort((a, b) => a - b)
    return {
      name,
      room: { by: 'step' as const, stepsGiB },
      // A place that lacks a step does not sell the kind: a book has a price for every one.
      prices: new Map(
        [...prices].flatMap(([place, there]) =>
          stepsGiB.every((step) => there.has(step))
            ? [
                [
                  place,
                  {
                    perMonthByStep: Object.fromEntries(
                      stepsGiB.map((step) => [String(step), there.get(step)!.price]),
                    ),
                  },
                ] as const,
              ]
            : [],
        ),
      ),
    }
  })
}
