import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readFigure, type DecimalMark, type FigureProblem } from './readFigure.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const read = (cell: string, mark?: DecimalMark): string => {
  const found = readFigure(cell, mark)
  return found.ok ? `${found.value.text}${found.value.isUnsure ? '?' : ''}` : found.issues[0].code
}

describe('a figure in a cell', () => {
  test.each([
    ['0.0416', '0.0416'],
    ['$0.0416/hr', '0.0416'],
    ['€ 12,50', '12.50'],
    ['from $ 9.90 *', '9.90'],
    ['1.234,56 €', '1234.56'],
    ['1,234.56', '1234.56'],
    ['12,34,567.8', '1234567.8'],
    ['1 234,5', '1234.5'],
    ['1\u202f234\u00a0567', '1234567'],
    ['CHF 1’234.50', '1234.50'],
    ['0,123', '0.123'],
    ['1,234', '1234?'],
    ['1.234', '1.234?'],
    ['0,040', '0.040'],
    ['00,040', '0.040'],
    ['0.040', '0.040'],
    ['12,5', '12.5'],
    ['1.234.567', '1234567'],
    ['16 GiB', '16'],
    ['0.05¹', '0.05'],
    ['0.05 [1]', '0.05'],
    ['.5', '0.5'],
    ['00012', '12'],
    ['7.000', '7?'],
    ['4.16e-2', '0.0416'],
    ['1.5E3', '1500'],
    ['1e-7', '0.0000001'],
    ['0.1034246575342466', '0.1034246575342466'],
    ['₹ 3.20 per hour', '3.20'],
  ])('%s is %s', (cell, expected) => {
    expect(read(cell)).toBe(expected)
  })

  test.each<[string, DecimalMark, string]>([
    ['1,234', ',', '1.234'],
    ['1,234', '.', '1234'],
    ['1.234', ',', '1234'],
    ['0,0416', ',', '0.0416'],
    // Nothing is grouped behind a nought, and no group has one digit.
    ['0,040', '.', '0.040'],
    ['0.040', ',', '0.040'],
    ['12,5', '.', '12.5'],
    ['1.234.567', '.', '1234567'],
  ])('%s where “%s” parts decimals is %s', (cell, mark, expected) => {
    expect(read(cell, mark)).toBe(expected)
  })

  test.each<[string, FigureProblem['code']]>([
    ['', 'empty'],
    [' \u00a0', 'empty'],
    ['on request', 'no-number'],
    ['-0.02', 'negative'],
    ['−3', 'negative'],
    ['(4.50)', 'negative'],
    ['0.02 / 0.03', 'several-numbers'],
    ['1.2.3,4,5', 'several-numbers'],
    ['=A1*2', 'several-numbers'],
    ['1234567890123456789012345678901234567890', 'too-many-digits'],
    ['1,23,4567', 'several-numbers'],
    ['0.1234567890123456789012', 'too-many-digits'],
    ['1234567890123', 'too-many-digits'],
    ['1e300', 'too-many-digits'],
  ])('%s is refused: %s', (cell, code) => {
    expect(read(cell)).toBe(code)
  })

  test('is the number that was written, however it was grouped', () => {
    const written = fc.record({
      whole: fc.bigInt({ min: 0n, max: 10n ** 12n - 1n }),
      cents: fc.integer({ min: 0, max: 9_999 }).map((n) => String(n).padStart(4, '0')),
      marks: fc.constantFrom<[string, DecimalMark]>(
        [',', '.'],
        ['.', ','],
        ['\u2009', ','],
        [' ', '.'],
        ['’', '.'],
      ),
      around: fc.constantFrom<[string, string]>(['', ''], ['$', ''], ['', ' €'], ['from ', '/h'], ['', '*']),
    })
    fc.assert(
      fc.property(written, ({ whole, cents, marks: [group, mark], around: [before, after] }) => {
        const grouped = String(whole).replace(/\B(?=(\d{3})+$)/g, group)
        const expected = /^0+$/.test(cents) ? String(whole) : `${whole}.${cents}`
        expect(read(`${before}${grouped}${mark}${cents}${after}`, mark)).toBe(expected)
      }),
    )
  })

  test('never throws, and answers in plain digits alone', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(undefined, '.' as const, ',' as const), (cell, mark) => {
        const found = readFigure(cell, mark)
        if (found.ok) expect(found.value.text).toMatch(/^\d+(\.\d+)?$/)
      }),
      randomRuns(2_000),
    )
  })
})
