import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { parseDate } from '../../core/calendar/civil.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { ownValue } from '../../core/ownValue.ts'
import { isZero } from '../../core/quantity/exact.ts'
import type { Cause } from '../../core/reconcile/cause.ts'
import type { DayHours } from '../../core/reconcile/reconcile.ts'
import { plainName } from '../../core/reconcile/plainName.ts'

/**
 * Of a hundred days that it was planned to go off on, on how many it did not: days in a row that nobody planned are one
 * time that it was forgotten. Undefined where it was planned on no day.
 */
export function forgottenPercent({ days = [] }: Cause, hours: readonly DayHours[]): number | undefined {
  const planned = hours.filter(({ planned: own }) => !isZero(own)).length
  if (planned === 0) return undefined
  const numbers = days.map(({ day }) => parseDate(day) ?? NaN)
  const times = numbers.filter((day, i) => day !== (numbers[i - 1] ?? NaN) + 1).length
  return Math.min(100, Math.round((times / planned) * 100))
}

/** The size of the book that the bill names. */
export const billedSize = ({ names }: Cause, book: PriceBook): string | undefined =>
  names &&
  book.sizes.find(({ id, name }) => [id, name].some((each) => plainName(each) === plainName(names.billed)))
    ?.id

const KINDS: ReadonlyMap<string, 'on-demand' | 'spot'> = new Map([
  ['Standard', 'on-demand'],
  ['Dynamic', 'spot'],
])

/** Terms of the kind that the bill names, on which the machine’s size is sold. */
export function billedTerms(
  { names }: Cause,
  { region, size }: Machine,
  book: PriceBook,
): string | undefined {
  const kind = names && KINDS.get(names.billed)
  const prices = ownValue(book.prices, region)
  const offers = prices && ownValue(prices.sizes, size)?.terms
  return book.terms.find(
    ({ id, kind: own }) => own === kind && (own === 'on-demand' || ownValue(offers, id) !== undefined),
  )?.id
}
