import { strToU8, zipSync } from 'fflate'
import { expect, test } from 'vitest'
import { odsTables } from './odsTables.ts'
import { readingOfList } from './testing/answerToList.ts'

const CELL = (value: string | number): string =>
  typeof value === 'number'
    ? `<table:table-cell office:value-type="float" office:value="${value}"><text:p>shown</text:p></table:table-cell>`
    : `<table:table-cell office:value-type="string"><text:p>${value}</text:p></table:table-cell>`
const ROW = (...cells: (string | number)[]): string =>
  `<table:table-row>${cells.map(CELL).join('')}<table:table-cell table:number-columns-repeated="1018"/></table:table-row>`
const SHEET = (name: string, ...rows: string[]): string =>
  `<table:table table:name="${name}">${rows.join('')}<table:table-row table:number-rows-repeated="1048000"><table:table-cell table:number-columns-repeated="1024"/></table:table-row></table:table>`
const BOOK = (...sheets: string[]): string =>
  `<office:document-content><office:body><office:spreadsheet>${sheets.join('')}</office:spreadsheet></office:body></office:document-content>`
const ods = (...sheets: string[]) => ({
  name: 'list.ods',
  content: zipSync({
    mimetype: strToU8('application/vnd.oasis.opendocument.spreadsheet'),
    'content.xml': strToU8(BOOK(...sheets)),
  }),
})

test('an OpenDocument spreadsheet is read by its stored values, sheet by sheet', async () => {
  const read = await readingOfList([
    ods(
      SHEET(
        'Leeds',
        ROW('size', 'vcpu', 'memory GiB', 'EUR per hour'),
        ROW('Oak 2', 2, 8, 0.0412),
        ROW('Oak &amp; 4', 4, 16, 0.0824),
      ),
      SHEET('Empty'),
    ),
  ])
  expect(read.tables.map(({ name, rows }) => [name, rows])).toEqual([['Leeds', 2]])
  const { sizes, prices } = read.book!
  expect(sizes.map(({ name, vcpu, memoryGiB }) => [name, vcpu, memoryGiB])).toEqual([
    ['Oak 2', 2, 8],
    ['Oak & 4', 4, 16],
  ])
  expect(Object.values(prices)[0]!.sizes['oak-2']).toEqual({ perHour: '0.0412' })
})

async function rowsOf(...rows: string[]): Promise<readonly (readonly string[])[]> {
  const all: (readonly string[])[] = []
  for (const table of odsTables('list.ods', BOOK(SHEET('one', ...rows))))
    for await (const batch of table.rows) all.push(...batch)
  return all
}

const REPEATED = (rows: number, cells: number, value: string): string =>
  `<table:table-row table:number-rows-repeated="${rows}"><table:table-cell table:number-columns-repeated="${cells}"><text:p>${value}</text:p></table:table-cell></table:table-row>`

test('cells and rows that repeat are all there, empty ones only before others', async () => {
  expect(await rowsOf(REPEATED(2, 3, 'a'), REPEATED(3, 2, ''), REPEATED(1_200, 1, 'b'))).toEqual([
    ['a', 'a', 'a'],
    ['a', 'a', 'a'],
    [],
    [],
    [],
    ...Array.from({ length: 1_200 }, () => ['b']),
  ])
})

test.each([
  ['one cell', [REPEATED(1, 999_999_999, 'x')]],
  ['one row', [REPEATED(999_999_999, 1, 'x')]],
  ['rows of cells', [REPEATED(100_000, 1_000, 'x')]],
  ['empty rows before another', [REPEATED(999_999_999, 1, ''), REPEATED(1, 1, 'x')]],
])('%s that repeats beyond what is read is refused before it is made', async (_, rows) => {
  await expect(rowsOf(...rows)).rejects.toThrow(/list\.ods has more than 4000000 cells/)
})
