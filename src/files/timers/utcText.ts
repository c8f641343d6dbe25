import { formatDate, dayNumber } from '../../core/calendar/civil.ts'
import { SECONDS_PER_DAY, type Instant } from '../../core/quantity/units.ts'

const two = (value: number): string => String(value).padStart(2, '0')

/** Seconds of a clock, by parts: those since 1970-01-01T00:00 on it. */
function partsOf(local: number): { date: string; hour: string; minute: string; second: string } {
  const day = Math.floor(local / SECONDS_PER_DAY)
  const rest = local - day * SECONDS_PER_DAY
  return {
    date: formatDate(dayNumber(day)),
    hour: two(Math.floor(rest / 3_600)),
    minute: two(Math.floor((rest % 3_600) / 60)),
    second: two(rest % 60),
  }
}

/** `20270328T013000`, as iCalendar writes times. */
export function basicTime(local: number): string {
  const { date, hour, minute, second } = partsOf(local)
  return `${date.replaceAll('-', '')}T${hour}${minute}${second}`
}

/** `2027-03-28T01:30:00Z` (RFC 3339). */
export function utcTime(at: Instant): string {
  const { date, hour, minute, second } = partsOf(at)
  return `${date}T${hour}:${minute}:${second}Z`
}

/** `2027-03-28` in UTC. */
export const utcDate = (at: Instant): string => partsOf(at).date

/** `0830`: minutes after midnight as digits. */
export const clockDigits = (minute: number): string => `${two(Math.floor(minute / 60))}${two(minute % 60)}`
