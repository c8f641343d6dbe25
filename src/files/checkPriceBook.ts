import type { PriceBook, RegionPrices } from '../core/catalogue/priceBook.ts'
import { pointerOf, type FileIssue } from './fileIssue.ts'

type Path = readonly (string | number)[]

/** References and gaps that a shape alone cannot show: names that nothing has, rooms without a price. */
export function checkPriceBook(book: PriceBook): FileIssue[] {
  const issues: FileIssue[] = []
  const ids = (items: readonly { readonly id: string }[]): Set<string> => new Set(items.map(({ id }) => id))
  const known = {
    family: ids(book.families),
    region: ids(book.regions),
    size: ids(book.sizes),
    'disk kind': ids(book.diskKinds),
    licence: ids(book.licences),
    terms: ids(book.terms),
  }
  const refer = (path: Path, what: keyof typeof known, name: string): void => {
    if (!known[what].has(name)) issues.push(unknown(path, what, name, [...known[what]]))
  }
  book.sizes.forEach((size, i) => {
    refer(['sizes', i, 'family'], 'family', size.family)
    size.diskKinds.forEach((kind, k) => refer(['sizes', i, 'diskKinds', k], 'disk kind', kind))
  })
  book.images.forEach((image, i) => {
    if (image.licence !== undefined) refer(['images', i, 'licence'], 'licence', image.licence)
  })
  book.regions.forEach((region, i) => {
    if (!book.prices[region.id]) {
      issues.push(missingPrice(['prices', region.id], `Region ${region.name} (/regions/${i}) has no prices.`))
    }
  })
  for (const [regionId, prices] of Object.entries(book.prices)) {
    const path = ['prices', regionId]
    refer(path, 'region', regionId)
    const zones = book.regions.find(({ id }) => id === regionId)?.zones ?? []
    for (const [sizeId, price] of Object.entries(prices.sizes)) {
      refer([...path, 'sizes', sizeId], 'size', sizeId)
      price.zones?.forEach((zone, i) => {
        if (!zones.includes(zone))
          issues.push(unknown([...path, 'sizes', sizeId, 'zones', i], 'zone', zone, zones))
      })
      for (const id of Object.keys(price.terms ?? {}))
        refer([...path, 'sizes', sizeId, 'terms', id], 'terms', id)
    }
    for (const kindId of Object.keys(prices.disks)) refer([...path, 'disks', kindId], 'disk kind', kindId)
    issues.push(...roomsWithoutPrice(book, prices, path), ...statesWithoutPrice(book, prices, path))
  }
  return issues
}

function roomsWithoutPrice(book: PriceBook, prices: RegionPrices, path: Path): FileIssue[] {
  return book.diskKinds.flatMap((kind) => {
    const price = prices.disks[kind.id]
    if (!price) return []
    const at = [...path, 'disks', kind.id]
    if (kind.room.by === 'gib') {
      return price.perGiBMonth === undefined
        ? [missingPrice([...at, 'perGiBMonth'], `${kind.name} is sold by the GiB and has no price for one.`)]
        : []
    }
    return kind.room.stepsGiB
      .filter((step) => price.perMonthByStep?.[step] === undefined)
      .map((step) =>
        missingPrice(
          [...at, 'perMonthByStep', step],
          `${kind.name} has no price for its step of ${step} GiB.`,
        ),
      )
  })
}

function statesWithoutPrice(book: PriceBook, prices: RegionPrices, path: Path): FileIssue[] {
  const chargesImage = Object.values(book.states).some((row) => row.memoryImage)
  return chargesImage && prices.memoryImagePerGiBMonth === undefined
    ? [
        missingPrice(
          [...path, 'memoryImagePerGiBMonth'],
          'A state charges the memory image and there is no price for it.',
        ),
      ]
    : []
}

const unknown = (path: Path, what: string, name: string, known: readonly string[]): FileIssue => ({
  code: 'unknown-reference',
  pointer: pointerOf(path),
  problem: `There is no ${what} "${name}" in this book.`,
  expected: `one of ${known.slice(0, 8).join(', ')}${known.length > 8 ? ', …' : ''}.`,
})

const missingPrice = (path: Path, problem: string): FileIssue => ({
  code: 'missing-price',
  pointer: pointerOf(path),
  problem,
  expected: 'a price as decimal text.',
})

/** Rules that change what everyone pays and that this version does not compute: refused, never left out of a figure. */
export function uncomputedRules(book: PriceBook): FileIssue[] {
  const issues: FileIssue[] = []
  const found = (present: boolean, path: Path, rule: string): void => {
    if (present) {
      issues.push({
        code: 'not-computed-yet',
        pointer: pointerOf(path),
        problem: `${rule} cannot be computed yet, and leaving it out would make every figure wrong.`,
        expected: 'a book without it.',
      })
    }
  }
  found(book.billing.vcpuPerCore !== undefined, ['billing', 'vcpuPerCore'], 'Selling by physical core')
  found(!!book.billing.longRunRebate?.length, ['billing', 'longRunRebate'], 'A rebate for long running')
  found(!!book.freeAllowances?.length, ['freeAllowances'], 'A free allowance')
  book.terms.forEach(({ kind }, i) => found(kind === 'flat', ['terms', i], 'A flat plan'))
  const noOnDemand = !book.terms.some(({ kind }) => kind === 'on-demand')
  found(noOnDemand, ['terms'], 'A book without on-demand terms')
  for (const [region, { disks }] of Object.entries(book.prices)) {
    for (const [kind, price] of Object.entries(disks)) {
      const path = ['prices', region, 'disks', kind, 'perTenThousandOperations']
      found(price.perTenThousandOperations !== undefined, path, 'A charge by disk operations')
    }
  }
  return issues
}
