import fc from 'fast-check'
import Papa from 'papaparse'
import { expect, test } from 'vitest'
import { csvCell, csvText } from './csvText.ts'

const read = (text: string): string[][] =>
  (Papa.parse(text.slice(0, -2), { newline: '\r\n' }).data as string[][]).map((row) => row.map(csvCell))

test.each(['=1+1', '+1', '-1', '@sum', '\tx', "'=1", "''-2", "'plain", 'a"b,c', 'two\nlines'])(
  '%j is no formula, and comes back as it was',
  (cell) => {
    const text = csvText([['head', cell]])
    expect(text.split(',')[1]).not.toMatch(/^"?[=+\-@\t]/)
    expect(read(text)).toEqual([['head', cell]])
  },
)

test('any cells come back as they were', () => {
  const cell = fc.string({ unit: fc.constantFrom(...`=+-@\t'",;a1 \n`.split('')), maxLength: 6 })
  fc.assert(
    fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 4 }), (rows) => {
      expect(read(csvText([['a', 'b'], ...rows]))).toEqual([['a', 'b'], ...rows])
    }),
  )
})
