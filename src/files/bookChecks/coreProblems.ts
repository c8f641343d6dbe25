import type { PriceBook, SizeRateTexts } from '../../core/catalogue/priceBook.ts'
import type { FileIssue } from '../fileIssue.ts'
import { badValue, type Path } from './bookIssue.ts'

/** Sizes by physical core: cores and vCPU must agree, and a price per core needs cores. */
export function coreProblems(book: PriceBook): FileIssue[] {
  const { vcpuPerCore } = book.billing
  const issues = book.sizes.flatMap(({ cores, vcpu }, i): FileIssue[] => {
    if (cores === undefined) return []
    const path = ['sizes', i, 'cores']
    if (vcpuPerCore === undefined) {
      return [
        badValue(path, 'The book does not say how many vCPU a core stands for.', '/billing/vcpuPerCore.'),
      ]
    }
    return vcpu === cores * vcpuPerCore
      ? []
      : [
          badValue(
            path,
            `${cores} cores of ${vcpuPerCore} vCPU are not ${vcpu} vCPU.`,
            `${vcpu / vcpuPerCore} cores, or ${cores * vcpuPerCore} vCPU.`,
          ),
        ]
  })
  const withoutCores = new Set(book.sizes.filter(({ cores }) => cores === undefined).map(({ id }) => id))
  for (const [region, { sizes }] of Object.entries(book.prices)) {
    for (const [size, price] of Object.entries(sizes)) {
      if (!withoutCores.has(size)) continue
      const path = ['prices', region, 'sizes', size]
      issues.push(...perCore(price, path))
      for (const [terms, other] of Object.entries(price.terms ?? {}))
        issues.push(...perCore(other, [...path, 'terms', terms]))
    }
  }
  return issues
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
