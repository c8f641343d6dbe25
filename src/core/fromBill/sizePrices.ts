import type { SizePrice } from '../catalogue/regionPrices.ts'
import { paidPrice, type Paid } from './paid.ts'

/** What sizes and their licences came to, by size and terms, and by size and licence. */
export interface PaidSizes {
  readonly offers: ReadonlyMap<string, Paid>
  readonly licences: ReadonlyMap<string, Paid>
}

/** What an hour of each size cost on average on each of its terms, its licences beside it. */
export function sizePrices({ offers, licences }: PaidSizes): { [size: string]: SizePrice } {
  const found = new Map<string, SizePrice>()
  for (const [key, paid] of offers) {
    const [size, terms] = key.split('\n') as [string, string]
    const perHour = paidPrice(paid)
    if (perHour === undefined) continue
    const known = found.get(size)
    found.set(
      size,
      terms === 'on-demand'
        ? { ...known, perHour }
        : { ...known, terms: { ...known?.terms, [terms]: { perHour } } },
    )
  }
  for (const [key, paid] of licences) {
    const [size, licence] = key.split('\n') as [string, string]
    const [known, perHour] = [found.get(size), paidPrice(paid)]
    if (known && perHour !== undefined) {
      found.set(size, { ...known, licences: { ...known.licences, [licence]: { perHour } } })
    }
  }
  return Object.fromEntries(found)
}
