import type { PriceBook, RebateBand } from '../catalogue/priceBook.ts'
import type { RegionPrices } from '../catalogue/regionPrices.ts'
import { keptFor } from '../keptFor.ts'
import { OTHER, type BillingAnswer } from './billingAnswer.ts'

const NONE = 'none'

/** What is charged of each hour beyond half of the month. */
const BEYOND_HALF: ReadonlyMap<string, string> = new Map([
  ['half-tenth', '0.9'],
  ['half-quarter', '0.75'],
  ['half-half', '0.5'],
])

const bandsOf = (share: string): readonly RebateBand[] => [
  { upToShare: '0.5', rateShare: '1' },
  { upToShare: '1', rateShare: share },
]

/** Of a large book one place changes at a time. */
const bandsIn = keptFor(({ sizes }: RegionPrices): boolean =>
  Object.values(sizes).some((price) =>
    [price, ...Object.values(price.terms ?? {})].some(({ perHourBands }) => perHourBands),
  ),
)

/** Bands of hours and a rebate on long runs are two ways to say the same, and a book has one. */
const hasHourBands = ({ prices }: PriceBook): boolean => Object.values(prices).some(bandsIn)

const isSame = (bands: readonly RebateBand[], other: readonly RebateBand[]): boolean =>
  bands.length === other.length &&
  bands.every(
    ({ upToShare, rateShare }, i) =>
      Number(upToShare) === Number(other[i]!.upToShare) && Number(rateShare) === Number(other[i]!.rateShare),
  )

/** Whether hours on demand become cheaper once a machine has run for long in a month. */
export const LONG_RUN_REBATE: BillingAnswer = {
  id: 'long-run-rebate',
  choices: (book) =>
    book.terms.some(({ kind }) => kind === 'on-demand') && !hasHourBands(book)
      ? [NONE, ...BEYOND_HALF.keys()]
      : [],
  valueOf: ({ billing: { longRunRebate } }) => {
    if (!longRunRebate) return NONE
    return [...BEYOND_HALF].find(([, share]) => isSame(longRunRebate, bandsOf(share)))?.[0] ?? OTHER
  },
  apply: ({ billing: { longRunRebate: _, ...billing }, ...book }, value): PriceBook => {
    const share = BEYOND_HALF.get(value)
    return { ...book, billing: { ...billing, ...(share && { longRunRebate: bandsOf(share) }) } }
  },
}
