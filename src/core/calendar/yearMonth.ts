/** A calendar month written `2027-03`, within 2000-01 to 2100-12. Sorts as text. */
export type YearMonth = string & { readonly __unit: 'year-month' }

export const FIRST_YEAR = 2000
export const LAST_YEAR = 2100

/** Undefined when the text is not a month, or lies outside 2000 to 2100. */
export function parseYearMonth(text: string): YearMonth | undefined {
  const match = /^(\d{4})-(0[1-9]|1[0-2])$/.exec(text)
  if (!match) return undefined
  const year = Number(match[1])
  return year >= FIRST_YEAR && year <= LAST_YEAR ? (text as YearMonth) : undefined
}

export const yearMonthParts = (month: YearMonth): { year: number; month: number } => ({
  year: Number(month.slice(0, 4)),
  month: Number(month.slice(5)),
})

/** The month `count` months later (earlier when negative); undefined past the ends of the range. */
export function addMonths(month: YearMonth, count: number): YearMonth | undefined {
  const { year, month: number } = yearMonthParts(month)
  const index = year * 12 + (number - 1) + count
  return parseYearMonth(`${Math.floor(index / 12)}-${String((index % 12) + 1).padStart(2, '0')}`)
}

/** How many months `b` is later than `a`; below zero where it is earlier. */
export function monthsBetween(a: YearMonth, b: YearMonth): number {
  const [from, to] = [yearMonthParts(a), yearMonthParts(b)]
  return (to.year - from.year) * 12 + to.month - from.month
}
