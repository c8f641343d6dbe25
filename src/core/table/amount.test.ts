import { expect, test } from 'vitest'
import { readAmount } from './amount.ts'
import { architectureIn } from './architectureText.ts'
import { decidedCells, decimalMarkOf, markEvidence } from './decimalMark.ts'
import { currencyIn } from './currencyText.ts'
import { priceUnitIn } from './priceUnit.ts'
import { readDate } from './readDate.ts'
import { asCounted, binaryUnit, bytesOf, roomUnitIn } from './roomUnit.ts'

const said = (cell: string): string => {
  const read = readAmount(cell)
  if (!read.ok) return read.issues[0].code
  const { text, currency, unit } = read.value
  const { period = '', count = 1, parts = 1, room = '', each } = unit
  return [
    text,
    currency?.codes[0] ?? '',
    count === 1 ? '' : count,
    period,
    room,
    parts === 1 ? '' : parts,
    each ? `each ${each}` : '',
  ]
    .filter((each) => each !== '')
    .join(' ')
}

test.each([
  ['0.040', '0.040'],
  ['€0.040/h', '0.040 EUR hour'],
  ['€70/month', '70 EUR month'],
  ['€ 70 pro Monat', '70 EUR month'],
  ['$ 5 per 1,000 GiB', '5 USD 1000 GiB'],
  ['12,50 EUR', '12.50 EUR'],
  ['0.10 per GB-month', '0.10 month GB'],
  ['from $ 9.90 *', '9.90 USD'],
  ['4 cents/h', '4 hour 100'],
  ['£9.00', '9 GBP'],
  ['C$ 0.05', '0.05 CAD'],
  ['0.02 / 0.03', 'several-numbers'],
  ['0.02 €/h / 0.03 €/h', 'several-numbers'],
  ['0.02 / 100 EUR', 'several-numbers'],
  ['2027/03/01', 'several-numbers'],
  ['€0.05/h incl. 20 GB traffic', '0.05 EUR hour'],
  ['€0.05/h, 2 vCPU (1)', '0.05 EUR hour'],
  ['€5 / 100 h', '5 EUR 100 hour'],
  ['€5 per 1 000 operations', '5 EUR 1000'],
  ['€1.2k/year', '1200 EUR year'],
  ['1.2345k', '1234.5'],
  ['30 %', 'no-number'],
  ['1.5M', 'no-number'],
  ['€0.02 per vCPU-hour', '0.02 EUR hour each vcpu'],
  ['on request', 'no-number'],
])('%s is %s', (cell, expected) => {
  expect(said(cell)).toBe(expected)
})

test('nothing is looked for in texts longer than a cell has', () => {
  const long = [`0.02${' '.repeat(100_000)}x`, '2'.repeat(100_000), `${'1 '.repeat(50_000)}hour`]
  expect(long.map(said)).toEqual(['several-numbers', 'several-numbers', 'several-numbers'])
  expect(long.map((text) => [priceUnitIn(text), roomUnitIn(text), currencyIn(text)])).toEqual(
    long.map(() => [{}, undefined, undefined]),
  )
  expect(markEvidence(long)).toEqual({ points: 0, commas: 0, open: 0 })
  expect(long.map((text) => readDate(text).ok)).toEqual([false, false, false])
})

test.each([
  ['price in ron', undefined],
  ['try it', undefined],
  ['price_eur', 'EUR'],
  ['TRY 4.00', 'TRY'],
])('%s names %s', (text, code) => {
  expect(currencyIn(text)?.codes[0]).toBe(code)
})

test.each([
  ['512 MiB', 'MiB'],
  ['1 TiB', 'TiB'],
  ['16G', 'GB'],
  ['16Gi', 'GiB'],
  ['16 Go', 'GB'],
  ['RAM (GB)', 'GB'],
  ['memory_mib', 'MiB'],
  ['100 gigabytes', 'GB'],
  ['GiB-month', 'GiB'],
  ['10 Gbps', undefined],
  ['250 MB/s', undefined],
  ['10 Gbit/s', undefined],
  ['go', undefined],
])('%s is counted in %s', (text, unit) => {
  expect(roomUnitIn(text)).toBe(unit)
})

test('a unit of its own is binary where its column is said to be', () => {
  expect([asCounted('TB', 'GiB'), asCounted('TB', 'GB'), asCounted('MiB', 'GB'), binaryUnit('GB')]).toEqual([
    'TiB',
    'TB',
    'MiB',
    'GiB',
  ])
  expect([bytesOf('KB'), bytesOf('GiB')]).toEqual([1_000n, 1_073_741_824n])
})

test.each<[string[], string]>([
  [['0.125', '1.234'], '. sure'],
  [['0,125', '1,234'], ', sure'],
  [['1,234', '5,678'], '. open'],
  [['1', '2'], '. sure'],
  [['1.234,5', '1.234'], ', sure'],
  [['1,5', '1.5', '1,234'], '. open'],
])('%j has the mark %s', (cells, expected) => {
  const evidence = markEvidence(cells)
  const { mark, isSure } = decimalMarkOf(evidence, evidence)
  expect(`${mark} ${isSure ? 'sure' : 'open'}`).toBe(expected)
})

test.each([
  ['x86_64', 'x86-64'],
  ['amd64', 'x86-64'],
  ['AArch64', 'arm64'],
  ['arm64 (Harrow)', 'arm64'],
  ['alarm', undefined],
  ['', undefined],
])('%s is the architecture %s', (text, expected) => {
  expect(architectureIn(text)).toBe(expected)
})

test('of a column that tells its mark, cells that could be read in two ways are written plainly', () => {
  expect(decidedCells(['0,125', '1,234', 'Oak', ''])).toEqual(['0,125', '1.234', 'Oak', ''])
  expect(decidedCells(['0.125', '1,234'])).toEqual(['0.125', '1234'])
  expect(decidedCells(['1,234', '5,678'])).toEqual(['1,234', '5,678'])
})
