import { civilDate } from '../core/calendar/civil.ts'
import type { Instant } from '../core/quantity/units.ts'
import { formatClock, formatDay, localTime } from './time'

/** `24 May 2027 at 12:40`, in whole minutes of a zone. */
export function instantText(at: Instant, timeZone: string): string {
  const { day, seconds } = localTime(at, timeZone)
  return `${formatDay(day)} ${civilDate(day).year} at ${formatClock(Math.floor(seconds / 60) * 60)}`
}
