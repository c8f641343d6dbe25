import { yearMonthParts, type YearMonth } from './yearMonth.ts'

/** `2027-03-01` to `2027-03-31`. */
export function datesOfMonth(month: YearMonth): string[] {
  const { year, month: number } = yearMonthParts(month)
  // Day 0 of the next month is the last one of this.
  const count = new Date(Date.UTC(year, number, 0)).getUTCDate()
  return Array.from({ length: count }, (_, i) => `${month}-${String(i + 1).padStart(2, '0')}`)
}
