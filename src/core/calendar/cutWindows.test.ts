import { expect, test } from 'vitest'
import { weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { billingMonth } from './billingMonth.ts'
import { parseDate } from './civil.ts'
import { cutWindows } from './cutWindows.ts'
import type { YearMonth } from './yearMonth.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
const week = weekOf('Europe/Lisbon', [
  ...windowsOn([0], '18:00-06:00'),
  ...windowsOn(WORKDAYS, '08:00-12:00'),
])
const at = (minute: number) => ({ ...week, autoShutdown: { minute, days: [0, 1, 2, 3, 4] as const } })

test('a window of which a shutdown leaves less than half is named, with how often', () => {
  const [cut, ...more] = cutWindows(at(19 * 60), MARCH)
  expect(more).toEqual([])
  // Five Mondays; that of the 28th to 29th is not the first.
  expect(cut).toMatchObject({ window: { day: 0, from: 1_080 }, left: 3_600, planned: 43_200, times: 5 })
})

test('half or more left, its exact start, dates that run through or are off, and no shutdown say nothing', () => {
  expect(cutWindows(at(0), MARCH)).toEqual([])
  expect(cutWindows(at(18 * 60), MARCH)).toEqual([])
  expect(cutWindows(week, MARCH)).toEqual([])
  const dates = { from: parseDate('2027-03-01')!, to: parseDate('2027-03-31')! }
  for (const does of ['on', 'off'] as const) {
    expect(cutWindows({ ...at(19 * 60), exceptions: [{ ...dates, does }] }, MARCH)).toEqual([])
  }
})
