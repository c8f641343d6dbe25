import { cityIn } from '../catalogue/cities.ts'
import type { PriceBook, Region, Terms } from '../catalogue/priceBook.ts'
import { idOf } from './idOf.ts'
import { mapRegions, without } from './mapRegions.ts'
import { ONE_ZONE, UNPRICED_DISK } from './newBook.ts'

/** With one more place, in which nothing is sold yet; its city is known by its name. */
export function addPlace(book: PriceBook, name: string): PriceBook {
  const id = idOf(name, new Set(book.regions.map((region) => region.id)), 'place')
  const isUnpriced = book.diskKinds.some((kind) => kind.id === UNPRICED_DISK.id)
  const region: Region = { id, name, zones: [ONE_ZONE], ...factsOf(name) }
  return {
    ...book,
    regions: [...book.regions, region],
    prices: {
      ...book.prices,
      [id]: {
        sizes: {},
        disks: isUnpriced ? { [UNPRICED_DISK.id]: { perGiBMonth: '0' } } : {},
        addresses: {},
      },
    },
  }
}

/** Called otherwise; where the new name is that of a city, the place is there. */
export const renamePlace = (book: PriceBook, id: string, name: string): PriceBook => ({
  ...book,
  regions: book.regions.map((region) => (region.id === id ? { ...region, name, ...factsOf(name) } : region)),
})

/** Sizes that are sold nowhere else, and would go with a place. */
export const soldOnlyIn = (book: PriceBook, id: string): string[] =>
  book.sizes
    .filter(({ id: size }) =>
      Object.entries(book.prices).every(
        ([region, { sizes }]) => region === id || !Object.hasOwn(sizes, size),
      ),
    )
    .map(({ name }) => name)

/** Without a place and what is sold there alone. */
export function dropPlace(book: PriceBook, id: string): PriceBook {
  const gone = new Set(soldOnlyIn(book, id))
  return {
    ...book,
    regions: book.regions.filter((region) => region.id !== id),
    sizes: book.sizes.filter(({ name }) => !gone.has(name)),
    prices: without(book.prices, id),
  }
}

/** With one more way to pay, on which nothing is priced yet. */
export function addTerms(book: PriceBook, name: string, months: number | undefined): PriceBook {
  const id = idOf(name, new Set(book.terms.map((terms) => terms.id)), 'terms')
  const terms: Terms =
    months === undefined
      ? { id, name, kind: 'spot', interruption: 'not said' }
      : { id, name, kind: 'commitment', months, upFront: 'none' }
  return { ...book, terms: [...book.terms, terms] }
}

/** Without some terms, the prices on them, and sizes that were sold on them alone. */
export function dropTerms(book: PriceBook, id: string): PriceBook {
  const prices = mapRegions(book, (there) => ({
    ...there,
    sizes: Object.fromEntries(
      Object.entries(there.sizes).flatMap(([size, { terms, zones, licences, ...rates }]) => {
        const others = terms ? without(terms, id) : {}
        const isLeft = Object.keys(rates).length + Object.keys(others).length > 0
        const price = {
          ...rates,
          ...(zones && { zones }),
          ...(licences && { licences }),
          ...(Object.keys(others).length > 0 && { terms: others }),
        }
        return isLeft ? [[size, price] as const] : []
      }),
    ),
  }))
  const sold = new Set(Object.values(prices).flatMap(({ sizes }) => Object.keys(sizes)))
  return {
    ...book,
    terms: book.terms.filter((terms) => terms.id !== id),
    sizes: book.sizes.filter((size) => sold.has(size.id)),
    prices,
  }
}

function factsOf(name: string): Partial<Region> {
  const city = cityIn(name)
  if (!city) return {}
  const { country, jurisdiction, latitude, longitude } = city
  return { country, jurisdiction, latitude, longitude }
}
