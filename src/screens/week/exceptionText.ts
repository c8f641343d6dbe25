import { civilDate, parseDate } from '../../core/calendar/civil.ts'
import {
  isWeekException,
  LONGEST_EXCEPTION_DAYS,
  type WeekException,
} from '../../core/calendar/weekException.ts'
import { formatDay } from '../../wording/time'

export type DatesReading =
  | { readonly ok: true; readonly dates: readonly Pick<WeekException, 'from' | 'to'>[] }
  | { readonly ok: false; readonly problem: string }

/** Reads dates as a person types them: `2027-03-19, 2027-12-24 to 2027-12-31`. */
export function readDates(text: string): DatesReading {
  const parts = text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
  const dates: Pick<WeekException, 'from' | 'to'>[] = []
  for (const part of parts) {
    const [first, last = first, ...more] = part.split(/\s*(?:\bto\b|–|\.\.|\s-\s)\s*/)
    const from = parseDate(first ?? '')
    const to = parseDate(last ?? '')
    if (from === undefined || to === undefined || more.length > 0) {
      return {
        ok: false,
        problem: `“${part}” is not a date. Write dates like 2027-03-19, or 2027-12-24 to 2027-12-31.`,
      }
    }
    if (to < from) return { ok: false, problem: `“${part}” ends before it begins.` }
    if (!isWeekException({ from, to, does: 'off' })) {
      return {
        ok: false,
        problem: `“${part}” is longer than ${LONGEST_EXCEPTION_DAYS} days. Change the windows instead.`,
      }
    }
    dates.push({ from, to })
  }
  return dates.length > 0 ? { ok: true, dates } : { ok: false, problem: 'Write a date, like 2027-03-19.' }
}

/** `19 March 2027`, `24 to 31 December 2027`, `30 December 2027 to 2 January 2028`. */
export function datesText({ from, to }: Pick<WeekException, 'from' | 'to'>): string {
  const [a, b] = [civilDate(from), civilDate(to)]
  if (from === to) return `${formatDay(from)} ${a.year}`
  if (a.year !== b.year) return `${formatDay(from)} ${a.year} to ${formatDay(to)} ${b.year}`
  return a.month === b.month
    ? `${a.day} to ${formatDay(to)} ${b.year}`
    : `${formatDay(from)} to ${formatDay(to)} ${b.year}`
}

export const DOES_TEXT = { off: 'stays off', on: 'runs through' } as const
