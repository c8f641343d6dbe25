import type { PriceBook, RegionPrices } from '../../core/catalogue/priceBook.ts'
import type { FileIssue } from '../fileIssue.ts'
import { unknownName, type Path } from './bookIssue.ts'

const ids = (items: readonly { readonly id: string }[]): Set<string> => new Set(items.map(({ id }) => id))

/** Names that nothing in the book has. */
export function referenceProblems(book: PriceBook): FileIssue[] {
  const issues: FileIssue[] = []
  const known = {
    family: ids(book.families),
    region: ids(book.regions),
    size: ids(book.sizes),
    'disk kind': ids(book.diskKinds),
    licence: ids(book.licences),
    terms: ids(book.terms),
  }
  const refer: Refer = (path, what, name) => {
    if (!known[what].has(name)) issues.push(unknownName(path, what, name, [...known[what]]))
  }
  book.sizes.forEach((size, i) => {
    refer(['sizes', i, 'family'], 'family', size.family)
    size.diskKinds.forEach((kind, k) => refer(['sizes', i, 'diskKinds', k], 'disk kind', kind))
  })
  book.images.forEach((image, i) => {
    for (const field of ['licence', 'subscription'] as const) {
      if (image[field] !== undefined) refer(['images', i, field], 'licence', image[field])
    }
  })
  book.freeAllowances?.forEach(({ eligible, eligibleKinds }, i) => {
    eligible.forEach((size, k) => refer(['freeAllowances', i, 'eligible', k], 'size', size))
    eligibleKinds?.forEach((kind, k) => refer(['freeAllowances', i, 'eligibleKinds', k], 'disk kind', kind))
  })
  for (const [field, what] of [
    ['vcpuByRegion', 'region'],
    ['vcpuByFamily', 'family'],
  ] as const) {
    for (const id of Object.keys(book.quotas?.[field] ?? {})) refer(['quotas', field, id], what, id)
  }
  for (const [regionId, prices] of Object.entries(book.prices)) {
    refer(['prices', regionId], 'region', regionId)
    const zones = book.regions.find(({ id }) => id === regionId)?.zones ?? []
    issues.push(...priceReferences(prices, ['prices', regionId], zones, refer))
  }
  return issues
}

type Refer = (
  path: Path,
  what: 'family' | 'region' | 'size' | 'disk kind' | 'licence' | 'terms',
  name: string,
) => void

function priceReferences(
  prices: RegionPrices,
  path: Path,
  zones: readonly string[],
  refer: Refer,
): FileIssue[] {
  const issues: FileIssue[] = []
  for (const [sizeId, price] of Object.entries(prices.sizes)) {
    const at = [...path, 'sizes', sizeId]
    refer(at, 'size', sizeId)
    price.zones?.forEach((zone, i) => {
      if (!zones.includes(zone)) issues.push(unknownName([...at, 'zones', i], 'zone', zone, zones))
    })
    for (const id of Object.keys(price.terms ?? {})) refer([...at, 'terms', id], 'terms', id)
  }
  for (const kindId of Object.keys(prices.disks)) refer([...path, 'disks', kindId], 'disk kind', kindId)
  return issues
}
