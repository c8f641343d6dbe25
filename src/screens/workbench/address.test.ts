import { WHOLE_FIELD } from '../../core/market/fieldPart.ts'
import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { readAddress, writeAddress, type Address } from './address.ts'

const START: Address = {
  machine: undefined,
  view: 'gauge',
  month: undefined,
  reading: 'calendar',
  ledger: { of: 'machine', fold: 'meter', meters: [], states: [] },
  market: {
    drawing: 'field',
    measure: undefined,
    best: undefined,
    part: WHOLE_FIELD,
    uncommitted: false,
    picked: undefined,
  },
  mix: { providers: 2, places: 2, uncommitted: true },
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

test('an address of the market holds what stands down, what is listed, the part that is looked at and what was picked', () => {
  const market = {
    drawing: 'map',
    measure: 'memory',
    best: 'country',
    part: { left: 0.25, right: 0.5, top: 0.125, bottom: 0.9 },
    uncommitted: true,
    picked: { provider: 'tidewright', region: 'tallinn', size: 'eddy-4-16', terms: 'spot' },
  } as const
  const written = writeAddress({ ...START, machine: 'web', view: 'market', market })
  expect(readAddress(new URLSearchParams(written.slice(2))).market).toEqual(market)
  // Nothing is shown where there is nothing to see, whatever stands in the address.
  for (const part of ['5,1,0,1000', '0,2000,0,1000', 'a,b,c,d', '0,1000,0', '0,1000,0,1000,7', '1,2,3,4'])
    expect(readAddress(new URLSearchParams({ part })).market.part).toBe(WHOLE_FIELD)
  for (const offer of ['a/b/c', 'a/b/c/d/e', '///', 'x'.repeat(300)])
    expect(readAddress(new URLSearchParams({ offer })).market.picked).toBeUndefined()
})

test('an address of the mix holds at how few providers and places', () => {
  const mix = { providers: 1, places: 3, uncommitted: false }
  const written = writeAddress({ ...START, view: 'mix', mix })
  expect(readAddress(new URLSearchParams(written.slice(2))).mix).toEqual(mix)
  for (const places of ['0', '5', '2.5', 'x', '1e9'])
    expect(readAddress(new URLSearchParams({ places })).mix.places).toBe(2)
})
