import { civilDate, dayNumber, type DayNumber } from '../../core/calendar/civil.ts'
import { yearMonthParts, type YearMonth } from '../../core/calendar/yearMonth.ts'
import { SECONDS_PER_HOUR } from '../../core/quantity/units.ts'
import { groupDigits } from './money'

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
  return `${groupDigits(String(Math.round(hours * 100) / 100))} h`
}

/** `220 h 47 min 12 s`, parts that are zero left out. */
export function formatDuration(seconds: number): string {
  const hours = Math.floor(seconds / SECONDS_PER_HOUR)
  const minutes = Math.floor((seconds % SECONDS_PER_HOUR) / 60)
  const rest = seconds % 60
  const parts = [
    hours > 0 && `${groupDigits(String(hours))} h`,
    minutes > 0 && `${minutes} min`,
    rest > 0 && `${rest} s`,
  ].filter(Boolean)
  return parts.length > 0 ? parts.join(' ') : '0 h'
}
