import { dayNumber, formatDate, parseDate } from '../calendar/civil.ts'
import { accept, refuse, type Outcome } from '../outcome.ts'
import { SECONDS_PER_DAY } from '../quantity/units.ts'
import { epochSeconds, LONGEST_DATE, partedClock } from './clockText.ts'

export type DateProblem = { readonly code: 'no-date' } | { readonly code: 'two-dates' }

export const DATE_ORDERS = ['day-first', 'month-first'] as const
/** Which of two numbers that could both be a month comes first. */
export type DateOrder = (typeof DATE_ORDERS)[number]

const YEAR_FIRST = /^(\d{4})(?:[-/.](\d{1,2})[-/.](\d{1,2})|(\d{2})(\d{2}))$/
const NUMBERS = /^(\d{1,2})\s?([./-])\s?(\d{1,2})\s?\2\s?(\d{4}|\d{2})$/
const DAY_NAME =
  /^(?:\p{L}{2,10}\.?,?\s+)?(\d{1,2})(?:\.|st|nd|rd|th|er)?(?:\s+de)?[\s-]+(\p{L}{3,10})\.?(?:\s+de)?,?[\s-]+(\d{4}|\d{2})$/iu
const NAME_DAY = /^(\p{L}{3,10})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})$/iu

/** By the beginnings of their names in English, German, French, Spanish and Dutch, without accents. */
const MONTHS: readonly RegExp[] = [
  /^(jan|ene)/,
  /^(feb|fev)/,
  /^(mar|mrz|maa|mrt)/,
  /^(apr|avr|abr)/,
  /^(may|mai|mei|mayo)/,
  /^(jun|juin)/,
  /^(jul|juil)/,
  /^(aug|aou|ago)/,
  /^(sep|set)/,
  /^(oct|okt)/,
  /^nov/,
  /^(dec|dez|dic)/,
]

/**
 * A date as tables have it, as `2027-03-01`: `2027/03/01`, `20270301`, `1.3.2027`, `1.3.27`, `1 March 2027`, `Mar 1, 2027`,
 * `3/1/2027 2:00 PM`, seconds or milliseconds since 1970 (their day in UTC). A time of day may follow. With points the day
 * comes first. With strokes and hyphens `order` decides where both numbers could be a month; without it, those are two
 * dates. Days that no calendar has are none.
 */
export function readDate(text: string, order?: DateOrder): Outcome<string, DateProblem> {
  if (text.length > LONGEST_DATE) return refuse({ code: 'no-date' })
  const { day } = partedClock(text.trim())
  const epoch = epochSeconds(day)
  if (epoch !== undefined) return accept(formatDate(dayNumber(Math.floor(epoch / SECONDS_PER_DAY))))
  const year = YEAR_FIRST.exec(day)
  if (year) return dateOf(year[1]!, year[2] ?? year[4]!, year[3] ?? year[5]!)
  const named = DAY_NAME.exec(day)
  if (named) return ofName(named[3]!, named[2]!, named[1]!)
  const before = NAME_DAY.exec(day)
  if (before) return ofName(before[3]!, before[1]!, before[2]!)
  const numbers = NUMBERS.exec(day)
  if (!numbers) return refuse({ code: 'no-date' })
  const [, one, mark, other, last] = numbers as unknown as [string, string, string, string, string]
  const [dayFirst, monthFirst] = [dateOf(last, other, one), dateOf(last, one, other)]
  if (mark === '.') return dayFirst
  if (!dayFirst.ok) return monthFirst
  if (!monthFirst.ok || dayFirst.value === monthFirst.value) return dayFirst
  if (!order) return refuse({ code: 'two-dates' })
  return order === 'day-first' ? dayFirst : monthFirst
}

/** A first and a last date in one cell: `2027-02-01 - 2027-02-28`; undefined where it is no such. */
export function readDateRange(
  text: string,
  order?: DateOrder,
): { readonly from: string; readonly until: string } | undefined {
  if (text.length > LONGEST_DATE * 2) return undefined
  const parts = text.split(/\s+(?:-|–|—|to|until|bis|au|hasta|tot)\s+|\s*[–—]\s*|\.\.\.?/)
  if (parts.length !== 2) return undefined
  const [from, until] = parts.map((part) => readDate(part, order))
  return from!.ok && until!.ok ? { from: from!.value, until: until!.value } : undefined
}

/**
 * The order of days and months in a column: told by any cell in which one number is no month. Undefined where nothing
 * tells; `open` says whether that leaves a cell with two readings. O(cells).
 */
export function dateOrderOf(texts: readonly string[]): {
  readonly order?: DateOrder
  readonly open: boolean
} {
  let [dayFirst, monthFirst, open] = [false, false, false]
  for (const text of texts) {
    const numbers = text.length > LONGEST_DATE ? null : NUMBERS.exec(partedClock(text.trim()).day)
    if (!numbers || numbers[2] === '.') continue
    const [one, other] = [Number(numbers[1]), Number(numbers[3])]
    if (one > 12) dayFirst = true
    else if (other > 12) monthFirst = true
    else if (one !== other) open = true
  }
  if (dayFirst === monthFirst) return { open }
  return { order: dayFirst ? 'day-first' : 'month-first', open: false }
}

function ofName(year: string, name: string, day: string): Outcome<string, DateProblem> {
  const plain = name.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()
  const month = MONTHS.findIndex((each) => each.test(plain))
  return month < 0 ? refuse({ code: 'no-date' }) : dateOf(year, String(month + 1), day)
}

/** Of two digits of a year, those of this century. */
function dateOf(year: string, month: string, day: string): Outcome<string, DateProblem> {
  const text = `${year.padStart(4, '20')}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  return parseDate(text) === undefined ? refuse({ code: 'no-date' }) : accept(text)
}
