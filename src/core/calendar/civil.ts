/** Days since 1970-01-01 in the proleptic Gregorian calendar, without any time zone. Whole, may be negative. */
export type DayNumber = number & { readonly __unit: 'day-number' }

/** Monday is 0, Sunday is 6 (ISO 8601 order). */
export type Weekday = 0 | 1 | 2 | 3 | 4 | 5 | 6

export interface CivilDate {
  readonly year: number
  /** 1 to 12. */
  readonly month: number
  /** 1 to 31. */
  readonly day: number
}

const MILLISECONDS_PER_DAY = 86_400_000

export const dayNumber = (value: number): DayNumber => value as DayNumber

/** Month and day may run over (month 13 is next January); years 100 and later. */
export const dayOf = (year: number, month: number, day: number): DayNumber =>
  dayNumber(Date.UTC(year, month - 1, day) / MILLISECONDS_PER_DAY)

export function civilDate(day: DayNumber): CivilDate {
  const date = new Date(day * MILLISECONDS_PER_DAY)
  return { year: date.getUTCFullYear(), month: date.getUTCMonth() + 1, day: date.getUTCDate() }
}

/** 1970-01-01 was a Thursday. */
export const weekdayOf = (day: DayNumber): Weekday => (((((day + 3) % 7) + 7) % 7) | 0) as Weekday

/** Reads `2027-03-19`; undefined when it is not written so or is not a date of the calendar (31 February). */
export function parseDate(text: string): DayNumber | undefined {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text)
  if (!match) return undefined
  const day = dayOf(Number(match[1]), Number(match[2]), Number(match[3]))
  return formatDate(day) === text ? day : undefined
}

export function formatDate(day: DayNumber): string {
  const { year, month, day: dayOfMonth } = civilDate(day)
  return `${String(year).padStart(4, '0')}-${twoDigits(month)}-${twoDigits(dayOfMonth)}`
}

const twoDigits = (value: number): string => String(value).padStart(2, '0')
