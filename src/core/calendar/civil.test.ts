import fc from 'fast-check'
import { Temporal } from 'temporal-polyfill'
import { expect, test } from 'vitest'
import { civilDate, dayNumber, dayOf, formatDate, parseDate, weekdayOf } from './civil.ts'
import { addMonths, parseYearMonth, type YearMonth } from './yearMonth.ts'
import { randomRuns } from '../testing/randomRuns.ts'

test('days, dates and weekdays agree with a date library', () => {
  fc.assert(
    fc.property(fc.integer({ min: -20_000, max: 60_000 }), (day) => {
      const date = Temporal.PlainDate.from('1970-01-01').add({ days: day })
      expect(civilDate(dayNumber(day))).toEqual({ year: date.year, month: date.month, day: date.day })
      expect(weekdayOf(dayNumber(day))).toBe(date.dayOfWeek - 1)
      expect(formatDate(dayNumber(day))).toBe(date.toString())
      expect(parseDate(date.toString())).toBe(day)
      expect(dayOf(date.year, date.month, date.day)).toBe(day)
    }),
    randomRuns(500),
  )
})

test.each(['2027-02-29', '2027-13-01', '2027-3-1', '27-03-01', '2027-03-32', 'today', ''])(
  '%j is no date',
  (text) => {
    expect(parseDate(text)).toBeUndefined()
  },
)

test.each([
  ['2027-03', 1, '2027-04'],
  ['2027-12', 1, '2028-01'],
  ['2027-01', -1, '2026-12'],
  ['2100-12', 1, undefined],
  ['2000-01', -1, undefined],
  ['2027-03', -27, '2024-12'],
])('%s and %i months is %s', (month, count, expected) => {
  expect(addMonths(month as YearMonth, count)).toBe(expected)
})

test.each(['1999-12', '2101-01', '2027-00', '2027-13', '2027', '2027-3', 'NaN'])('%j is no month', (text) => {
  expect(parseYearMonth(text)).toBeUndefined()
})
