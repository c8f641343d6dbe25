import { spawnSync } from 'node:child_process'
import fc from 'fast-check'
import Papa from 'papaparse'
import { expect, test } from 'vitest'
import { csvCell, csvText } from './csvText.ts'

const read = (text: string): string[][] =>
  (Papa.parse(text.slice(0, -2), { newline: '\r\n' }).data as string[][]).map((row) => row.map(csvCell))

test.each(['=1+1', '+1', '-1+1', '@sum', '\tx', "'=1", "''-2", "'plain", 'a"b,c', 'two\nlines'])(
  '%j is no formula, and comes back as it was',
  (cell) => {
    const text = csvText([['head', cell]])
    expect(text.split(',')[1]).not.toMatch(/^"?[=+\-@\t]/)
    expect(read(text)).toEqual([['head', cell]])
  },
)

test('text is quoted and numbers are not, so that a separator is guessed right; a mark says UTF-8 where it is asked for', () => {
  const rows = [
    ['what', 'amount', 'rate at'],
    ['a/b; c', '12.50', '/prices/porto/sizes/x/perHour'],
    ['', '-3', '/x'],
  ]
  expect(csvText(rows)).toBe(
    '"what","amount","rate at"\r\n"a/b; c",12.50,"/prices/porto/sizes/x/perHour"\r\n,-3,"/x"\r\n',
  )
  expect(csvText(rows, { byteOrderMark: true }).startsWith('\uFEFF"what"')).toBe(true)
})

test.runIf(spawnSync('python3', ['--version']).status === 0)(
  'another program guesses the separator of an estimate',
  () => {
    const line = (i: number) => [
      'line',
      `m${i}`,
      'fennmark',
      'compute',
      '12.5',
      `/prices/porto/sizes/heron-2-8/terms/${i}/perHour`,
    ]
    const text = csvText([
      ['row', 'machine', 'provider', 'meter', 'amount', 'rate at'],
      ...Array.from({ length: 20 }, (_, i) => line(i)),
    ])
    const guess = 'import csv,sys; d=csv.Sniffer().sniff(sys.stdin.read()); print(d.delimiter, d.quotechar)'
    expect(spawnSync('python3', ['-c', guess], { input: text, encoding: 'utf8' }).stdout.trim()).toBe(', "')
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
