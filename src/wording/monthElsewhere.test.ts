import { expect, test } from 'vitest'
import { billingMonth } from '../core/calendar/billingMonth.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { monthElsewhere } from './monthElsewhere.ts'

const MARCH = '2027-03' as YearMonth
const text = (billingZone: string, timeZone: string) =>
  monthElsewhere(MARCH, billingMonth(MARCH, billingZone), billingZone, timeZone)

test('a provider’s month that is not the week’s is told in the week’s time', () => {
  // Halifax is four hours behind UTC on 1 March, and three at the month's end.
  expect(text('America/Halifax', 'Etc/UTC')).toBe(
    'Charged by March 2027 of America/Halifax, 743 h: from 1 March, 04:00 in Etc/UTC, until 1 April, 03:00 in Etc/UTC.',
  )
  expect(text('Etc/UTC', 'Etc/UTC')).toBeUndefined()
  // Lisbon is on UTC at the one end, and an hour ahead at the other.
  expect(text('Etc/UTC', 'Europe/Lisbon')).toContain('until 1 April, 01:00 in Europe/Lisbon')
})
