import { strToU8, zipSync } from 'fflate'
import { expect, test } from 'vitest'
import { readList } from './readList.ts'

async function answerTo(name: string, content: string | Uint8Array) {
  const steps = readList({
    source: { kind: 'files', files: [{ name, file: new Blob([content as Uint8Array<ArrayBuffer>]) }] },
    provider: { id: 'own', name: 'Own' },
    from: '2027-03-01',
    manner: 'gives-back',
  })
  for (;;) {
    const { done, value } = await steps.next()
    if (done) return value
  }
}

const zip = (files: Record<string, string>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])))

test.each<[string, string | Uint8Array, RegExp]>([
  ['list.pdf', '%PDF-1.7 ...', /list\.pdf is a PDF/],
  ['list.csv', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 13, 10), /list\.csv is a picture/],
  ['list.xls', Uint8Array.of(0xd0, 0xcf, 0x11, 0xe0, 0xa1), /an office document of the old kind/],
  ['list.docx', zip({ 'word/document.xml': '<w/>' }), /is a text document/],
  [
    'list.odt',
    zip({ mimetype: 'application/vnd.oasis.opendocument.text', 'content.xml': '<x/>' }),
    /without sheets/,
  ],
  ['list.7z', Uint8Array.of(0x37, 0x7a, 0xbc, 0xaf, 0x27, 0x1c), /a 7z archive/],
  ['plan.json', '{"format":"notchgauge/plan/1","name":"p"}', /a plan of this program/],
  ['book.json', '{"format":"notchgauge/price-book/1"}', /a price book of this program/],
])('%s is named for what it is', async (name, content, problem) => {
  const answer = await answerTo(name, content)
  expect(answer.ok ? '' : answer.issues[0].problem).toMatch(problem)
})

const CELL = (value: string | number): string =>
  typeof value === 'number'
    ? `<table:table-cell office:value-type="float" office:value="${value}"><text:p>shown</text:p></table:table-cell>`
    : `<table:table-cell office:value-type="string"><text:p>${value}</text:p></table:table-cell>`
const ROW = (...cells: (string | number)[]): string =>
  `<table:table-row>${cells.map(CELL).join('')}<table:table-cell table:number-columns-repeated="1018"/></table:table-row>`

test('an OpenDocument spreadsheet is read by its stored values, sheet by sheet', async () => {
  const sheet = (name: string, ...rows: string[]): string =>
    `<table:table table:name="${name}">${rows.join('')}<table:table-row table:number-rows-repeated="1048000"><table:table-cell table:number-columns-repeated="1024"/></table:table-row></table:table>`
  const content = `<office:document-content><office:body><office:spreadsheet>${sheet(
    'Leeds',
    ROW('size', 'vcpu', 'memory GiB', 'EUR per hour'),
    ROW('Oak 2', 2, 8, 0.0412),
    ROW('Oak &amp; 4', 4, 16, 0.0824),
  )}${sheet('Empty')}</office:spreadsheet></office:body></office:document-content>`
  const answer = await answerTo(
    'list.ods',
    zip({ mimetype: 'application/vnd.oasis.opendocument.spreadsheet', 'content.xml': content }),
  )
  if (!answer.ok) throw new Error(JSON.stringify(answer.issues))
  expect(answer.value.tables.map(({ name, rows }) => [name, rows])).toEqual([['Leeds', 2]])
  const { sizes, prices } = answer.value.book!
  expect(sizes.map(({ name, vcpu, memoryGiB }) => [name, vcpu, memoryGiB])).toEqual([
    ['Oak 2', 2, 8],
    ['Oak & 4', 4, 16],
  ])
  expect(Object.values(prices)[0]!.sizes['oak-2']).toEqual({ perHour: '0.0412' })
})
