import { expect, test } from 'vitest'
import { gib } from '../core/quantity/units.ts'
import { apartGroupText } from './apart'
import { measureText } from './fieldMeasure'
import { needText } from './needs'

test.each([
  [{ name: 'web', mostInZone: 1 }, false, 'at most 1 in a zone'],
  [{ name: 'web', mostInZone: 2, mostInFaultDomain: 1 }, false, 'at most 2 in a zone, 1 in a fault domain'],
  [{ name: 'web' }, false, 'any number together'],
  [{ name: 'web' }, true, 'any number together; this one in a region of its own'],
])('a group says what it allows: %o', (group, sharesNothing, words) => {
  expect(apartGroupText(group, sharesNothing)).toBe(words)
})

test('a machine of a group says so among its needs', () => {
  const needs = { vcpu: 0, memoryGiB: gib(0), iops: 0 }
  expect(needText('apart', { ...needs, apart: { group: 'web' } })).toBe('kept apart in “web”')
  expect(needText('apart', { ...needs, apart: { group: 'web', sharesNothing: true } })).toBe(
    'kept apart in “web”, sharing nothing',
  )
})

test.each([
  ['round-trip', 36, '36 ms'],
  ['memory', 16, '16 GiB'],
  ['iops-per-money', 51.4321, '51.4 IOPS for € 1'],
  ['iops-per-money', 1_234.5, '1,235 IOPS for € 1'],
  ['pays-after', 0, 'pays at once'],
  ['pays-after', 12, 'pays from 12 h on'],
  ['pays-after', 311, 'pays from 311 h on'],
  ['interruption', 1, 'stays'],
  ['interruption', 2, 'may be taken away'],
  ['carbon', 158, '158 g for a kWh'],
] as const)('%s of %d reads: %s', (measure, value, words) => {
  expect(measureText(measure, value, '€')).toBe(words)
})
