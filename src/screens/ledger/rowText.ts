import { civilDate } from '../../core/calendar/civil.ts'
import type { LedgerRow } from '../../core/ledger/ledger.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import { formatClock, formatHours, localTime, MONTH_NAMES } from '../../wording/time'
import { formatNumber } from '../../wording/number'

const shortDate = (day: Parameters<typeof civilDate>[0]): string => {
  const { month, day: dayOfMonth } = civilDate(day)
  return `${dayOfMonth} ${MONTH_NAMES[month - 1]!.slice(0, 3)}`
}

/** `19 Mar 08:00`. */
export function rowStart({ span }: Pick<LedgerRow, 'span'>, timeZone: string): string {
  const { day, seconds } = localTime(span.from, timeZone)
  return `${shortDate(day)} ${formatClock(seconds).slice(0, 5)}`
}

/** `19 Mar 08:00–18:00`, or with both dates where it ends on another. */
export function rowTimes({ span }: Pick<LedgerRow, 'span'>, timeZone: string): string {
  const from = localTime(span.from, timeZone)
  const to = localTime(span.to, timeZone)
  const start = rowStart({ span }, timeZone)
  if (from.day === to.day) return `${start}–${formatClock(to.seconds).slice(0, 5)}`
  if (to.day === from.day + 1 && to.seconds === 0) return `${start}–24:00`
  return `${start} – ${shortDate(to.day)} ${formatClock(to.seconds).slice(0, 5)}`
}

/** How much of what the rate is for: hours, GiB, or how often. */
export function rowQuantity({ line: { charge }, ticks }: LedgerRow): string {
  const { subject, ticksPerSecond, ticksPerPeriod, units } = charge
  if (ticksPerSecond > 0) return formatHours(ticks / ticksPerSecond)
  if (subject.of === 'restore') return `${ticks} ×`
  if (subject.of === 'disk-operations') return formatNumber((subject.bought * ticks) / ticksPerPeriod, 0)
  if (subject.of === 'traffic')
    return `${Math.round((toNumber(units) * ticks * 100) / ticksPerPeriod) / 100} GiB`
  return formatHours(ticks)
}
