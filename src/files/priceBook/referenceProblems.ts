import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { RegionPrices } from '../../core/catalogue/regionPrices.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { badValue, unknownName, type Path } from './bookIssue.ts'

const ids = (items: readonly { readonly id: string }[]): Set<string> => new Set(items.map(({ id }) => id))

/** Names that nothing in the book has, or that stand for something else. */
export function* referenceProblems(book: PriceBook): Iterable<FileIssue> {
  const refer = referrer(book)
  for (const [i, size] of book.sizes.entries()) {
    yield* refer(['sizes', i, 'family'], 'family', size.family)
    for (const [k, kind] of (size.diskKinds ?? []).entries())
      yield* refer(['sizes', i, 'diskKinds', k], 'disk kind', kind)
  }
  for (const [i, image] of book.images.entries()) {
    for (const field of ['licence', 'subscription'] as const) {
      if (image[field] !== undefined) yield* refer(['images', i, field], 'licence', image[field])
    }
    const subscription = book.licences.findIndex(({ id }) => id === image.subscription)
    if (book.licences[subscription]?.ownLicence)
      yield badValue(
        ['licences', subscription, 'ownLicence'],
        `It is the subscription of ${image.name}, which no licence of one’s own takes the place of.`,
        'false.',
      )
  }
  for (const [i, { eligible, eligibleKinds = [] }] of (book.freeAllowances ?? []).entries()) {
    const path = ['freeAllowances', i]
    for (const [k, size] of eligible.entries()) yield* refer([...path, 'eligible', k], 'size', size)
    for (const [k, kind] of eligibleKinds.entries())
      yield* refer([...path, 'eligibleKinds', k], 'disk kind', kind)
  }
  for (const [field, what] of [
    ['vcpuByRegion', 'region'],
    ['vcpuByFamily', 'family'],
  ] as const) {
    for (const id of Object.keys(book.quotas?.[field] ?? {})) yield* refer(['quotas', field, id], what, id)
  }
  const regions = new Map(book.regions.map((region) => [region.id, region]))
  for (const [regionId, prices] of Object.entries(book.prices)) {
    yield* refer(['prices', regionId], 'region', regionId)
    yield* priceReferences(prices, ['prices', regionId], regions.get(regionId)?.zones ?? [], refer)
  }
}

type Named = 'family' | 'region' | 'size' | 'disk kind' | 'licence' | 'terms'
type Refer = (path: Path, what: Named, name: string) => FileIssue[]

function referrer(book: PriceBook): Refer {
  const known: Record<Named, Set<string>> = {
    family: ids(book.families),
    region: ids(book.regions),
    size: ids(book.sizes),
    'disk kind': ids(book.diskKinds),
    licence: ids(book.licences),
    terms: ids(book.terms),
  }
  return (path, what, name) =>
    known[what].has(name) ? [] : [unknownName(path, what, name, [...known[what]])]
}

function* priceReferences(
  prices: RegionPrices,
  path: Path,
  zones: readonly string[],
  refer: Refer,
): Iterable<FileIssue> {
  for (const [sizeId, price] of Object.entries(prices.sizes)) {
    const at = [...path, 'sizes', sizeId]
    yield* refer(at, 'size', sizeId)
    for (const [i, zone] of (price.zones ?? []).entries()) {
      if (!zones.includes(zone)) yield unknownName([...at, 'zones', i], 'zone', zone, zones)
    }
    for (const id of Object.keys(price.licences ?? {})) yield* refer([...at, 'licences', id], 'licence', id)
    for (const [id, { licences = {} }] of Object.entries(price.terms ?? {})) {
      yield* refer([...at, 'terms', id], 'terms', id)
      for (const licence of Object.keys(licences))
        yield* refer([...at, 'terms', id, 'licences', licence], 'licence', licence)
    }
  }
  for (const kindId of Object.keys(prices.disks))
    yield* refer([...path, 'disks', kindId], 'disk kind', kindId)
}
