import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { resolved } from '../testing/resolved.ts'
import { weekOf, windowsOn } from '../testing/weeks.ts'
import { meterMachine } from './meterMachine.ts'

test('a start at the very moment at which a month ends is one of the next month, and of no other', () => {
  // 1 April 2027 is a Thursday.
  const week = weekOf('Etc/UTC', windowsOn([3], '00:00-01:00'))
  const startsIn = (month: string): number =>
    meterMachine(resolved({ off: 'deallocated' }, week), billingMonth(month as YearMonth, 'Etc/UTC')).starts
  expect([startsIn('2027-03'), startsIn('2027-04')]).toEqual([4, 5])
})
