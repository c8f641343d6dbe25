import fc from 'fast-check'
import Fraction from 'fraction.js'
import { describe, expect, test } from 'vitest'
import { exactNumber, parseDecimal, roundTo, toDecimal, trimDecimal } from './decimal.ts'
import {
  add,
  compare,
  divide,
  exact,
  isZero,
  multiply,
  sign,
  subtract,
  toNumber,
  ZERO,
  type Exact,
} from './exact.ts'
import { roundParts } from './roundParts.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const anyExact: fc.Arbitrary<Exact> = fc
  .tuple(fc.bigInt({ min: -(10n ** 15n), max: 10n ** 15n }), fc.bigInt({ min: 1n, max: 10n ** 9n }))
  .map(([n, d]) => ({ n, d }))

const fraction = ({ n, d }: Exact): Fraction => new Fraction(n, d)

test('arithmetic agrees with a rational number library', () => {
  fc.assert(
    fc.property(anyExact, anyExact, (a, b) => {
      expect(fraction(add(a, b)).equals(fraction(a).add(fraction(b)))).toBe(true)
      expect(fraction(subtract(a, b)).equals(fraction(a).sub(fraction(b)))).toBe(true)
      expect(fraction(multiply(a, b)).equals(fraction(a).mul(fraction(b)))).toBe(true)
      expect(Math.sign(compare(a, b))).toBe(fraction(a).compare(fraction(b)))
      if (b.n !== 0n) expect(fraction(divide(a, b)).equals(fraction(a).div(fraction(b)))).toBe(true)
    }),
    randomRuns(400),
  )
})

test('the same number is the same, however it is written; products and quotients are in lowest terms', () => {
  const half = { n: 2n, d: 4n }
  expect([compare(half, { n: 1n, d: 2n }), compare(half, half)]).toEqual([0, 0])
  expect([compare({ n: 1n, d: 4n }, half), compare({ n: 3n, d: 4n }, half)]).toEqual([-1, 1])
  expect(multiply(half, { n: 2n, d: 3n })).toEqual({ n: 1n, d: 3n })
  expect(divide(half, { n: -2n, d: 3n })).toEqual({ n: -3n, d: 4n })
  expect(add(ZERO, half)).toBe(half)
  expect(add(half, { n: 0n, d: 9n })).toBe(half)
})

test('what is above, at and below zero is told apart', () => {
  const numbers = [
    { n: 3n, d: 7n },
    { n: 0n, d: 7n },
    { n: -3n, d: 7n },
  ]
  expect(numbers.map(sign)).toEqual([1, 0, -1])
  expect(numbers.map(isZero)).toEqual([false, true, false])
})

test('a number to draw by is as near as a float can be, however long its parts are', () => {
  const parts = 10n ** 40n
  expect([toNumber({ n: 5n, d: 4n }), toNumber({ n: -5n, d: 4n })]).toEqual([1.25, -1.25])
  expect(toNumber({ n: 1_234n * parts + parts / 8n, d: parts })).toBe(1_234.125)
})

test('sums of more denominators than are kept are right', () => {
  let sum = ZERO
  let checked = new Fraction(0)
  for (let d = 1n; d <= 90n; d += 1n) {
    sum = add(sum, { n: 1n, d })
    checked = checked.add(new Fraction(1n, d))
  }
  expect(fraction(sum).equals(checked)).toBe(true)
})

test('dividing by zero is a bug, not a number', () => {
  expect(() => divide(exact(1), exact(0))).toThrow(RangeError)
})

test('a number is read as the decimal that it was written as', () => {
  expect(exactNumber(0.1)).toEqual({ n: 1n, d: 10n })
  expect(exactNumber(-2.5)).toEqual({ n: -25n, d: 10n })
  expect(exactNumber(1e-7)).toEqual({ n: 1n, d: 10n ** 7n })
  expect(exactNumber(1.5e21)).toEqual({ n: 15n * 10n ** 20n, d: 1n })
  expect(() => exactNumber(Infinity)).toThrow(RangeError)
  const anyNumber = fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e30, max: 1e30 })
  fc.assert(
    fc.property(anyNumber, (value) => {
      const [, digits, tens = '0'] = /^([^e]+)(?:e(.+))?$/.exec(value.toString())!
      const scale = new Fraction(10n ** BigInt(Math.abs(Number(tens))))
      const read = new Fraction(digits!)
      expect(fraction(exactNumber(value)).equals(Number(tens) < 0 ? read.div(scale) : read.mul(scale))).toBe(
        true,
      )
    }),
    randomRuns(400),
  )
})

describe('decimals', () => {
  test.each([
    ['0.5000', '0.5'],
    ['10.00', '10'],
    ['100', '100'],
    ['0.0050', '0.005'],
    ['1.0001', '1.0001'],
  ])('%s without what says nothing is %s', (text, trimmed) => {
    expect(trimDecimal(text)).toBe(trimmed)
  })

  test.each([
    ['0.2067', '0.2067'],
    ['-3.5', '-3.5000'],
    ['12', '12.0000'],
    ['0.00005', '0.0001'],
    ['-0.00005', '-0.0001'],
    ['0.000049999999', '0.0000'],
    ['0.00015', '0.0002'],
    ['-0.00015', '-0.0002'],
    ['0.00025', '0.0003'],
  ])('%s is written %s to four places, halves away from zero', (text, written) => {
    expect(toDecimal(parseDecimal(text)!, 4)).toBe(
      written.includes('.') && written.length < 6 ? `${written}` : written,
    )
  })

  test.each(['', '.5', '1.', '1e3', '0x10', '+1', 'NaN', 'Infinity', '1,000', '1.1234567890123456789'])(
    '%j is not a price',
    (text) => expect(parseDecimal(text)).toBeUndefined(),
  )

  test('a rounded amount is exactly what is written', () => {
    fc.assert(
      fc.property(anyExact, fc.integer({ min: 0, max: 12 }), (value, places) => {
        const rounded = roundTo(value, places)
        expect(toDecimal(rounded, places)).toBe(toDecimal(value, places))
        expect(Math.abs(toNumber(subtract(value, rounded)))).toBeLessThanOrEqual(
          0.5 * 10 ** -places * 1.000001,
        )
      }),
      randomRuns(400),
    )
  })
})

test('rounded differences add up to what lies between the two amounts as they are shown', () => {
  fc.assert(
    fc.property(anyExact, fc.array(anyExact, { maxLength: 6 }), (from, amounts) => {
      const { parts, total } = roundParts(amounts, 2, from)
      const to = amounts.reduce(add, from)
      const shown = new Fraction(toDecimal(to, 2)).sub(toDecimal(from, 2))
      expect(new Fraction(total).equals(shown)).toBe(true)
      expect(parts.reduce((whole, part) => whole.add(part), new Fraction(0)).equals(shown)).toBe(true)
    }),
    randomRuns(100),
  )
})

test('rounded parts add up to the rounded total, and none is off by a whole unit', () => {
  fc.assert(
    fc.property(fc.array(anyExact, { maxLength: 12 }), fc.integer({ min: 0, max: 4 }), (amounts, places) => {
      const { parts, total } = roundParts(amounts, places)
      const sum = parts.reduce((whole, part) => whole.add(part), new Fraction(0))
      expect(sum.equals(new Fraction(total))).toBe(true)
      expect(total).toBe(toDecimal(amounts.reduce(add, exact(0)), places))
      parts.forEach((part, i) => {
        const off = new Fraction(part).sub(fraction(amounts[i]!)).abs()
        expect(off.compare(new Fraction(1, 10 ** places))).toBeLessThan(0.5)
      })
    }),
    randomRuns(300),
  )
})
