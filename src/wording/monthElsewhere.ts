import { billingMonth, type BillingMonth } from '../core/calendar/billingMonth.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { lengthOf, SECONDS_PER_HOUR } from '../core/quantity/units.ts'
import { formatInstantIn, formatMonth } from './time.ts'
import { formatNumber } from './number.ts'

/** Where a provider's month begins or ends at other times than the week's, when it does; undefined where it is the same. */
export function monthElsewhere(
  month: YearMonth,
  billed: BillingMonth,
  billingZone: string,
  timeZone: string,
): string | undefined {
  const own = billingMonth(month, timeZone)
  if (own.from === billed.from && own.to === billed.to) return undefined
  const hours = formatNumber(lengthOf(billed) / SECONDS_PER_HOUR)
  return `Charged by ${formatMonth(month)} of ${billingZone}, ${hours} h: from ${formatInstantIn(billed.from, timeZone)}, until ${formatInstantIn(billed.to, timeZone)}.`
}
