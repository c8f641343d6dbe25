import { strToU8, zipSync } from 'fflate'
import { expect, test } from 'vitest'
import { answerToList } from './testing/answerToList.ts'

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
  const answer = await answerToList([{ name, content }])
  expect(answer.ok ? '' : answer.issues[0].problem).toMatch(problem)
})
