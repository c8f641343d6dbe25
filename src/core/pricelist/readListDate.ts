import { parseDate } from '../calendar/civil.ts'
import { accept, refuse, type Outcome } from '../outcome.ts'

export type DateProblem = { readonly code: 'no-date' } | { readonly code: 'two-dates' }

/**
 * A date as price lists write them: `2027-03-01` (a time may follow), `20270301`, `1.3.2027` and `01/03/2027`. With
 * slashes the order of day and month is no one's to guess: where both could be a month, there are two dates.
 */
export function readListDate(text: string): Outcome<string, DateProblem> {
  const iso = /^(\d{4})-?(\d{2})-?(\d{2})(?:$|[T ])/.exec(text)
  if (iso) return dateOf(iso[1]!, iso[2]!, iso[3]!)
  const dots = /^(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4})$/.exec(text)
  if (dots) return dateOf(dots[3]!, dots[2]!, dots[1]!)
  const [, one, other, year] = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/.exec(text) ?? []
  if (!one || !other || !year) return refuse({ code: 'no-date' })
  const readings = [dateOf(year, other, one), dateOf(year, one, other)]
  const [first, second] = readings.flatMap((reading) => (reading.ok ? [reading.value] : []))
  if (first !== undefined && second !== undefined && first !== second) return refuse({ code: 'two-dates' })
  return first === undefined ? refuse({ code: 'no-date' }) : accept(first)
}

function dateOf(year: string, month: string, day: string): Outcome<string, DateProblem> {
  const text = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  const read = parseDate(text)
  return read === undefined ? refuse({ code: 'no-date' }) : accept(text)
}
