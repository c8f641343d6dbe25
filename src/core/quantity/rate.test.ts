import { expect, test } from 'vitest'
import { toDecimal } from './decimal.ts'
import { exact } from './exact.ts'
import { amountAt, rate, unitsExact } from './rate.ts'

const hourly = rate('0.2067', 'hour', '/prices/east/sizes/small/perHour')

test('units in steps of 1/1024 are whole numbers over a power of two', () => {
  expect(unitsExact(6)).toEqual({ n: 6n, d: 1n })
  expect(unitsExact(0.5)).toEqual({ n: 512n, d: 1024n })
  expect(unitsExact(1.75)).toEqual({ n: 1_792n, d: 1024n })
})

test('a rate is charged for so many units and such a part of what it is for', () => {
  // 0.2067 × 3 × 1,800 ÷ 3,600
  expect(toDecimal(amountAt(hourly, exact(3), 1_800, 3_600), 6)).toBe('0.310050')
  expect(toDecimal(amountAt(hourly, unitsExact(0.5), 3_600, 3_600), 6)).toBe('0.103350')
  expect(toDecimal(amountAt(hourly, unitsExact(0.5), 1_800, 3_600), 6)).toBe('0.051675')
  expect(toDecimal(amountAt(hourly, exact(1), 0, 3_600), 6)).toBe('0.000000')
})

test('a rate keeps its words; one that is no decimal is a bug', () => {
  expect([hourly.text, hourly.per, hourly.pointer]).toEqual([
    '0.2067',
    'hour',
    '/prices/east/sizes/small/perHour',
  ])
  expect(() => rate('cheap', 'hour', '/x')).toThrow('not a decimal price: cheap at /x')
})
