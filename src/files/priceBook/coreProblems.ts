import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { SizeRateTexts } from '../../core/catalogue/regionPrices.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { badValue, type Path } from './bookIssue.ts'

/** Sizes by physical core: cores and vCPU must agree, and a price per core needs cores. */
export function* coreProblems(book: PriceBook): Iterable<FileIssue> {
  const { vcpuPerCore } = book.billing
  for (const [i, { cores, vcpu }] of book.sizes.entries()) {
    if (cores === undefined) continue
    const path = ['sizes', i, 'cores']
    if (vcpuPerCore === undefined) {
      yield badValue(path, 'The book does not say how many vCPU a core stands for.', '/billing/vcpuPerCore.')
    } else if (vcpu !== cores * vcpuPerCore) {
      yield badValue(
        path,
        `${cores} cores of ${vcpuPerCore} vCPU are not ${vcpu} vCPU.`,
        `${vcpu / vcpuPerCore} cores, or ${cores * vcpuPerCore} vCPU.`,
      )
    }
  }
  const withoutCores = new Set(book.sizes.filter(({ cores }) => cores === undefined).map(({ id }) => id))
  for (const [region, { sizes }] of Object.entries(book.prices)) {
    for (const [size, price] of Object.entries(sizes)) {
      if (!withoutCores.has(size)) continue
      const path = ['prices', region, 'sizes', size]
      yield* perCore(price, path)
      for (const [terms, other] of Object.entries(price.terms ?? {}))
        yield* perCore(other, [...path, 'terms', terms])
    }
  }
}

const perCore = ({ perCoreHour }: SizeRateTexts, path: Path): FileIssue[] =>
  perCoreHour === undefined
    ? []
    : [
        badValue(
          [...path, 'perCoreHour'],
          'The size has no number of cores.',
          'a size with "cores", or another rate.',
        ),
      ]
