import { formatDate, type DayNumber } from '../calendar/civil.ts'
import { SECONDS_PER_DAY, SECONDS_PER_HOUR, type Instant } from '../quantity/units.ts'

/** Months begin a few hours apart in the zones of providers; nowhere more than this before they do in UTC. */
const SLACK = 14 * SECONDS_PER_HOUR

/** How many whole months a book that is valid from a date (`2027-03-01`) has been so at an instant; 0 before that. */
export function monthsValid(from: string, at: Instant): number {
  const then = formatDate(Math.floor((at + SLACK) / SECONDS_PER_DAY) as DayNumber)
  const [[year, month, day], [yearThen, monthThen, dayThen]] = [from, then].map((date) =>
    date.split('-').map(Number),
  ) as [[number, number, number], [number, number, number]]
  const months = (yearThen - year) * 12 + monthThen - month - (dayThen < day ? 1 : 0)
  return Math.max(0, months)
}
