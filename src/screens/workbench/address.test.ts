import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { readAddress, writeAddress, type Address } from './address.ts'

const START: Address = {
  machine: undefined,
  view: 'gauge',
  month: undefined,
  reading: 'calendar',
  ledger: { of: 'machine', fold: 'meter', meters: [], states: [] },
  bench: { fold: 'machine', order: 'total' },
  book: undefined,
  day: undefined,
  list: undefined,
  rate: undefined,
}

test.each<[string, Partial<Address>]>([
  ['the bench by a tag', { view: 'bench', bench: { fold: 'tag:system', order: 'saved' } }],
  ['a build sheet', { view: 'hand-off', machine: 'x' }],
  ['a list behind a plate', { machine: 'x', list: 'data-disk-2' }],
  ['a week', { machine: 'a b&c=d', view: 'week', month: '2027-03' as YearMonth, reading: '730-hours' }],
  [
    'a filtered ledger',
    { view: 'ledger', ledger: { of: 'plan', fold: 'day', meters: ['compute', 'disk'], states: ['stopped'] } },
  ],
  [
    'a rate in a book',
    { view: 'book', book: { provider: 'mill', edition: '2027 spring' }, rate: '/prices/a/sizes/b/perHour' },
  ],
])('the address of %s opens the same screen again', (_, part) => {
  const address = { ...START, ...part }
  expect(readAddress(new URLSearchParams(writeAddress(address).slice(1)))).toEqual(address)
})

test.each([
  '?view=admin&month=1999-12&reading=lunar',
  `?machine=${'x'.repeat(61)}&month=2027-13`,
  '?of=all&fold=up&meters=gold,silver&states=asleep&provider=mill',
  `?rate=${'/x'.repeat(200)}`,
  '?list=roof',
  '?by=colour&sort=weight',
  '?',
])('%s falls back to the bench, or to the gauge of a machine', (query) => {
  const view = query.includes('machine=') ? 'gauge' : 'bench'
  expect(readAddress(new URLSearchParams(query))).toEqual({ ...START, view })
})
