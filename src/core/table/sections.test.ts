import { expect, test } from 'vitest'
import { SectionReader } from './sections.ts'
import { headingRow } from './headingRow.ts'

const COLUMNS = ['size', 'price']
const read = (rows: string[][], above?: string[]) => {
  const reader = SectionReader.of(COLUMNS, rows, above)
  return reader && [reader.heading, ...rows.map((row) => reader.row(row).at(-1))]
}

test('rows have the name of their section, by what it is called', () => {
  expect(
    read([
      ['Porto', ''],
      ['a', '1'],
      ['b', '2'],
      ['Leeds', ''],
      ['a', '3'],
    ]),
  ).toEqual(['section', 'Porto', 'Porto', 'Porto', 'Leeds', 'Leeds'])
  expect(
    read(
      [
        ['a', '1'],
        ['b', '2'],
        ['Region: Kobe', ''],
        ['a', '3'],
      ],
      ['Region: Porto', ''],
    ),
  ).toEqual(['Region', 'Porto', 'Porto', 'Kobe', 'Kobe'])
})

test('a note, a total or one title in the middle makes no sections', () => {
  expect(
    read([
      ['a', '1'],
      ['b', '2'],
      ['without tax', ''],
    ]),
  ).toBeUndefined()
  expect(
    read([
      ['a', '1'],
      ['new:', ''],
      ['b', '2'],
      ['c', '2'],
    ]),
  ).toBeUndefined()
  expect(
    read([
      ['a', '1'],
      ['', '5'],
      ['b', '2'],
    ]),
  ).toBeUndefined()
})

test('headings are in the first row that is about as full as any', () => {
  expect(headingRow([['Machines', '', ''], [], ['name', 'vcpu', 'memory'], ['a', '1', '']])).toBe(2)
  expect(headingRow([])).toBe(0)
})
