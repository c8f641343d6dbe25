import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { readAddress, writeAddress } from './address.ts'

test('an address opens the same screen again', () => {
  const address = {
    machine: 'a b&c=d',
    view: 'week',
    month: '2027-03' as YearMonth,
    reading: '730-hours',
  } as const
  expect(readAddress(new URLSearchParams(writeAddress(address).slice(1)))).toEqual(address)
})

test.each(['?view=admin&month=1999-12', `?machine=${'x'.repeat(61)}&month=2027-13`, '?'])(
  '%s falls back',
  (query) => {
    expect(readAddress(new URLSearchParams(query))).toEqual({
      machine: undefined,
      view: 'gauge',
      month: undefined,
      reading: 'calendar',
    })
  },
)
