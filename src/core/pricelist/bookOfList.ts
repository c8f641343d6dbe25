import { cityIn, cityNamed, type City } from '../catalogue/cities.ts'
import type { Image, Licence, PriceBook, Region, Terms } from '../catalogue/priceBook.ts'
import type { SizePrice } from '../catalogue/regionPrices.ts'
import { confirmed } from '../manner/billingAnswers.ts'
import { withManner, type Manner } from '../manner/manners.ts'
import { diskKindsOfList } from './diskKindsOfList.ts'
import { idOf } from './idOf.ts'
import type { ListMapping, MappingQuestion } from './listMapping.ts'
import type { ListCollector } from './ListCollector.ts'
import { FAMILY, newBook, ONE_ZONE, UNPRICED_DISK, type NewBook } from './newBook.ts'
import { placePricesOfList, saysEveryUse } from './placePricesOfList.ts'
import { isPaid, sizePriceOfList, type UnheldPrice } from './sizePricesOfList.ts'

export interface BookOfList {
  readonly book: PriceBook
  /** Prices that the book cannot hold, the first of them. */
  readonly unheld: readonly UnheldPrice[]
}

interface ListBook {
  readonly head: Omit<NewBook, 'place'>
  readonly manner: Manner
  readonly unsure: readonly MappingQuestion[]
  readonly places?: ListMapping['places']
}

const MOST_TOLD = 50
const MOST_ZONES = 26

/** Prices as a book: what the list says, charged in a manner, and the rest not known. O(prices). */
export function bookOfList(found: ListCollector, { head, manner, unsure, places }: ListBook): BookOfList {
  const names = [...found.places]
  const placeIds = idsOf(names, 'place')
  const sizes = [...found.sizes.values()].filter(({ prices, offers }) => prices.size + offers.size > 0)
  const sizeIds = idsOf(
    sizes.map(({ name }) => name),
    'size',
  )
  const familyNames = [...new Set(sizes.map(({ facts }) => facts.family ?? FAMILY.name))]
  const familyIds = idsOf(familyNames, 'family')
  const disks = diskKindsOfList(found)
  const diskIds = idsOf(
    disks.map(({ name }) => name),
    'disk',
  )
  const terms = termsOf(found)
  const systems = [...found.systems].filter((system) => !found.isPlain(system))
  const systemIds = idsOf(systems, 'licence')
  const unheld: UnheldPrice[] = []
  const offer = {
    terms: new Map(terms.flatMap(({ text, id }) => (text === undefined ? [] : [[text, id] as const]))),
    systems: systemIds,
    found,
    unheld: (price: UnheldPrice) => {
      if (unheld.length < MOST_TOLD) unheld.push(price)
    },
  }
  const zones = new Map(names.map((place) => [place, zonesOf(found, place)]))
  const start = newBook({
    ...head,
    place: { id: placeIds.get(names[0] ?? '') ?? 'place', name: names[0] ?? 'Place' },
  })
  const priced = new Set<string>()
  const prices = names.map((place) => {
    const sold: [string, SizePrice][] = []
    for (const size of sizes) {
      const price = sizePriceOfList(size, place, offer)
      if (!price) continue
      priced.add(size.name)
      const own = [...(size.zones.get(place) ?? [])].flatMap((zone) => zones.get(place)!.get(zone) ?? [])
      const isInAll = own.length === 0 || own.length === zones.get(place)!.size
      sold.push([sizeIds.get(size.name)!, isInAll ? price : { ...price, zones: own.sort() }])
    }
    const kinds =
      disks.length === 0
        ? { [UNPRICED_DISK.id]: { perGiBMonth: '0' } }
        : Object.fromEntries(
            disks.flatMap((disk) => {
              const price = disk.prices.get(place)
              return price ? [[diskIds.get(disk.name)!, price]] : []
            }),
          )
    return [
      placeIds.get(place)!,
      { sizes: Object.fromEntries(sold), disks: kinds, ...placePricesOfList(found, place) },
    ] as const
  })
  const book: PriceBook = {
    ...start,
    regions:
      names.length === 0
        ? start.regions
        : names.map((name) => ({
            id: placeIds.get(name)!,
            name,
            zones: zones.get(name)!.size === 0 ? [ONE_ZONE] : [...zones.get(name)!.values()],
            ...cityFacts(places, name),
          })),
    families: familyNames.map((name) => ({ id: familyIds.get(name)!, name })),
    sizes: sizes
      .filter(({ name }) => priced.has(name))
      .map(({ name, facts: { family = FAMILY.name, ...facts } }) => ({
        id: sizeIds.get(name)!,
        name,
        family: familyIds.get(family)!,
        ...facts,
      })),
    diskKinds:
      disks.length === 0
        ? [UNPRICED_DISK]
        : disks.map(({ name, room }) => ({ id: diskIds.get(name)!, name, room, boots: true })),
    ...systemsOf(found, systems, systemIds, start.images),
    terms: terms.map(({ text, ...each }) => each),
    prices: names.length === 0 ? start.prices : Object.fromEntries(prices),
    assumed: [
      ...(start.assumed ?? []).filter(
        ({ about }) =>
          (disks.length === 0 || about !== 'disk-price') &&
          (systems.length === 0 || about !== 'system-price'),
      ),
      ...unsure.map((question) => ({ about: assumptionOf(question), from: 'list' })),
    ],
  }
  const charged = withManner(book, manner)
  return { book: saysEveryUse(found) ? confirmed(charged, 'address-uses') : charged, unheld }
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

type ListedTerms = Terms & { readonly text?: string }

/** On demand, and whatever else the list prices. What is said to be paid up front and has no such price anywhere, is not. */
function termsOf(found: ListCollector): ListedTerms[] {
  const withUpFront = new Set(
    [...found.sizes.values()].flatMap(({ offers }) =>
      [...offers.values()].flatMap((there) =>
        [...there.values()].flatMap(({ term, upFront }) => (isPaid(upFront) ? [term] : [])),
      ),
    ),
  )
  const taken = new Set(['on-demand'])
  const others = [...found.terms.values()].flatMap(
    ({ text, is, months = 12, upFront = 'none' }): ListedTerms[] => {
      if (is !== 'spot' && is !== 'commitment') return []
      const id = idOf(text, taken, 'terms')
      taken.add(id)
      const named = { id, name: text.slice(0, 60), text }
      return is === 'spot'
        ? [{ ...named, kind: 'spot', interruption: 'not said' }]
        : [
            {
              ...named,
              kind: 'commitment',
              months,
              upFront: withUpFront.has(text) ? (upFront === 'none' ? 'part' : upFront) : 'none',
            },
          ]
    },
  )
  return [{ id: 'on-demand', name: 'On demand', kind: 'on-demand' }, ...others]
}

/** The system that costs nothing more is an image without a licence; each other one has its own. */
function systemsOf(
  found: ListCollector,
  systems: readonly string[],
  ids: ReadonlyMap<string, string>,
  none: readonly Image[],
): { licences: Licence[]; images: readonly Image[] } {
  if (systems.length === 0) return { licences: [], images: none }
  const plain = [...found.systems].find((system) => found.isPlain(system) && system !== '')
  return {
    licences: systems.map((name) => ({
      id: ids.get(name)!,
      name: name.slice(0, 60),
      leastVcpu: 0,
      ownLicence: false,
    })),
    images: [
      plain === undefined ? none[0]! : { id: idOf(plain, ids, 'system'), name: plain.slice(0, 60) },
      ...systems.map((name) => ({ id: ids.get(name)!, name: name.slice(0, 60), licence: ids.get(name)! })),
    ],
  }
}

/** Zones of a place by what the list calls them. */
function zonesOf({ sizes }: ListCollector, place: string): ReadonlyMap<string, string> {
  const names = new Set([...sizes.values()].flatMap(({ zones }) => [...(zones.get(place) ?? [])]))
  return idsOf([...names].sort().slice(0, MOST_ZONES), 'zone')
}

/** Where the place is, as far as a city of the shipped table says: the one that was named, or whose name is in its own. */
function cityFacts(places: ListMapping['places'], name: string): Omit<Region, 'id' | 'name' | 'zones'> {
  const said = places?.find((each) => (each.name ?? each.text) === name)?.city
  const city: City | undefined = said === undefined ? cityIn(name) : cityNamed(said)
  if (!city) return {}
  const { country, jurisdiction, latitude, longitude } = city
  return { country, jurisdiction, latitude, longitude }
}
