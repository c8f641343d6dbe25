import { expect, test } from 'vitest'
import type { ListMapping, ListUnits, RowMeaning } from './listMapping.ts'
import { withUnits } from './withUnits.ts'

const UNITS: ListUnits = { memory: 'GiB', vcpuPerCount: 1, period: 'hour', perCount: 1, diskRoom: 'GiB' }
const rows = (is: RowMeaning['is'], units?: Partial<ListUnits>): RowMeaning => ({
  is,
  only: [],
  fields: {},
  ...(units && { units }),
})
const mappingOf = (...meanings: RowMeaning[]): ListMapping => ({
  currency: 'EUR',
  units: UNITS,
  rows: meanings,
})
/** As each meaning counts. */
const counted = ({ units, rows: meanings }: ListMapping) =>
  meanings.map((meaning) => ({ ...units, ...meaning.units }))

test('of one meaning, what is said is said of the list', () => {
  const next = withUnits(mappingOf(rows('size-price')), 0, { period: 'month' })
  expect([next.units.period, next.rows[0]!.units]).toEqual(['month', undefined])
})

test('of several, cents of one are none of another, whichever is first and whatever it has of its own', () => {
  const lists = [
    mappingOf(rows('size-price'), rows('disk-price')),
    mappingOf(rows('disk-price', { period: 'month' }), rows('size-price')),
  ]
  for (const list of lists)
    for (const at of [0, 1]) {
      const parts = counted(withUnits(list, at, { parts: 100 })).map((each) => each.parts)
      expect(parts).toEqual(at === 0 ? [100, undefined] : [undefined, 100])
    }
})

test('an answer for rows with units of their own is not lost to those', () => {
  const list = mappingOf(rows('disk-price', { diskRoom: 'GB' }))
  expect(counted(withUnits(list, 0, { diskRoom: 'GiB' }))[0]!.diskRoom).toBe('GiB')
})

test('the mark of decimals is one for the file, from the first meaning; another can differ', () => {
  const list = mappingOf(rows('size-price'), rows('disk-price'))
  const marks = (at: number) =>
    counted(withUnits(list, at, { decimalMark: ',' })).map(({ decimalMark }) => decimalMark)
  expect([marks(0), marks(1)]).toEqual([
    [',', ','],
    [undefined, ','],
  ])
})
