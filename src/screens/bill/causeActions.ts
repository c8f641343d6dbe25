import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { MINUTES_PER_DAY, type WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { Cause } from '../../core/reconcile/cause.ts'
import { plainName } from '../../core/reconcile/plainName.ts'

/** An hour after the last window of the week ends, where that is before midnight. */
export function shutdownMinute({ windows, autoShutdown }: WeekPlan): number | undefined {
  if (autoShutdown || windows.length === 0) return undefined
  const last = Math.max(...windows.map(({ to }) => to))
  return last + 60 < MINUTES_PER_DAY ? Math.ceil((last + 60) / 15) * 15 : undefined
}

/** Of a hundred days on which it should have gone off, on how many it did not. */
export function forgottenPercent({ days = [] }: Cause, dates: readonly string[]): number {
  return dates.length === 0 ? 0 : Math.min(100, Math.round((days.length / dates.length) * 100))
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
  const price = new Map(Object.entries(book.prices)).get(region)?.sizes
  const offers = price && new Map(Object.entries(price)).get(size)
  return book.terms.find(
    ({ id, kind: own }) =>
      own === kind && (own === 'on-demand' || new Map(Object.entries(offers?.terms ?? {})).has(id)),
  )?.id
}
