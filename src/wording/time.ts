import { civilDate, dayNumber, type DayNumber } from '../core/calendar/civil.ts'
import { offsetAt, zoneOffsets } from '../core/calendar/zoneOffsets.ts'
import { yearMonthParts, type YearMonth } from '../core/calendar/yearMonth.ts'
import { SECONDS_PER_DAY, SECONDS_PER_HOUR, type Instant } from '../core/quantity/units.ts'
import { formatNumber } from './number'

export const MONTH_NAMES = [
  'January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November',
  'December',
] as const // prettier-ignore

export const DAY_NAMES = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const

export const shortDay = (day: number): string => DAY_NAMES[day]!.slice(0, 3)

export const monthName = (month: YearMonth): string => MONTH_NAMES[yearMonthParts(month).month - 1]!

export const formatMonth = (month: YearMonth): string => `${monthName(month)} ${yearMonthParts(month).year}`

/** `19 March`. */
export function formatDay(day: DayNumber): string {
  const { month, day: dayOfMonth } = civilDate(dayNumber(day))
  return `${dayOfMonth} ${MONTH_NAMES[month - 1]!}`
}

export const formatHours = (seconds: number): string => {
  const hours = seconds / SECONDS_PER_HOUR
  return `${formatNumber(hours, 2)} h`
}

/** `220 h 47 min 12 s`, parts that are zero left out. */
export function formatDuration(seconds: number): string {
  const hours = Math.floor(seconds / SECONDS_PER_HOUR)
  const minutes = Math.floor((seconds % SECONDS_PER_HOUR) / 60)
  const rest = seconds % 60
  const parts = [
    hours > 0 && `${formatNumber(hours)} h`,
    minutes > 0 && `${minutes} min`,
    rest > 0 && `${rest} s`,
  ].filter(Boolean)
  return parts.length > 0 ? parts.join(' ') : '0 h'
}

/** Wall-clock time of an instant in a zone: its local day, and seconds after midnight. */
export function localTime(at: Instant, timeZone: string): { day: DayNumber; seconds: number } {
  const local = at + offsetAt(zoneOffsets(timeZone), at)
  const day = Math.floor(local / SECONDS_PER_DAY)
  return { day: dayNumber(day), seconds: local - day * SECONDS_PER_DAY }
}

const two = (value: number): string => String(value).padStart(2, '0')

/** `18:00`, or `18:00:30` where it is not a whole minute. */
export function formatClock(seconds: number): string {
  const rest = seconds % 60
  const minutes = `${two(Math.floor(seconds / SECONDS_PER_HOUR))}:${two(Math.floor((seconds % SECONDS_PER_HOUR) / 60))}`
  return rest === 0 ? minutes : `${minutes}:${two(rest)}`
}

/** `19 March, 18:00 in Europe/Lisbon`. */
export function formatInstantIn(at: Instant, timeZone: string): string {
  const { day, seconds } = localTime(at, timeZone)
  return `${formatDay(day)}, ${formatClock(seconds)} in ${timeZone}`
}
