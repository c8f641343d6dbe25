import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { PriceBook, Terms } from '../catalogue/priceBook.ts'
import { hourPieces } from '../meter/clockPieces.ts'
import type { MeteredMonth } from '../meter/meteredMonth.ts'
import { lengthOf } from '../quantity/units.ts'

/**
 * How many hours at a size's full rate a month comes to on some terms, as a floating number: true and added time, up to
 * a cap, less what is free, each band of a rebate by its share. `freeTicks` are those that an allowance covers. The
 * machine time of every size is its rate times this, but for prices that go by hours.
 */
export function chargedHours(
  metered: MeteredMonth,
  terms: Terms,
  month: BillingMonth,
  book: PriceBook,
  freeTicks = 0,
): number {
  const { ticksPerHour } = hourClock(month)
  if (terms.kind === 'commitment') return hourPieces(metered.always, month).ticks / ticksPerHour
  const runs = terms.kind === 'flat' ? metered.flat : metered.compute
  const { ticks } = hourPieces(runs.pieces, month)
  if (terms.kind === 'flat') return Math.min(ticks / ticksPerHour, terms.capHours ?? Infinity)
  if (terms.kind === 'spot') return ticks / ticksPerHour
  return rebated(Math.max(0, ticks - freeTicks), month, book) / ticksPerHour
}

/** Ticks with each band of the long-run rebate counted by its share. */
function rebated(ticks: number, month: BillingMonth, { billing: { longRunRebate = [] } }: PriceBook): number {
  if (longRunRebate.length === 0) return ticks
  const { ticksPerSecond } = hourClock(month)
  let counted = 0
  let begins = 0
  for (const [at, { upToShare, rateShare }] of longRunRebate.entries()) {
    const isLast = at === longRunRebate.length - 1
    // Bands begin at whole seconds of the month; half a millionth keeps 0.3 of it from falling one short in binary.
    const ends = isLast ? Infinity : Math.floor(Number(upToShare) * lengthOf(month) + 5e-7) * ticksPerSecond
    counted += Math.max(0, Math.min(ticks, ends) - begins) * Number(rateShare)
    begins = ends
  }
  return counted
}
