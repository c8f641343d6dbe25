import { strToU8, zipSync } from 'fflate'
import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { knownKind, wrongDoor, type Door, type FileKind } from './knownKind.ts'

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text)
const sheet = zipSync({
  '[Content_Types].xml': strToU8('<Types/>'),
  'xl/workbook.xml': strToU8('<workbook/>'),
})

test.each<[FileKind | undefined, Uint8Array, string]>([
  ['spreadsheet', sheet, 'machines.xlsx'],
  ['spreadsheet', sheet, 'machines.csv'],
  [
    'spreadsheet',
    zipSync({ mimetype: strToU8('application/vnd.oasis.opendocument.spreadsheet') }, { level: 0 }),
    'a',
  ],
  ['old spreadsheet', new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0xa1]), 'machines.xls'],
  ['zip', zipSync({ 'plan.json': strToU8('{}') }), 'plan.zip'],
  ['gzip', new Uint8Array([0x1f, 0x8b, 8]), 'plan.json.gz'],
  ['PDF', utf8('%PDF-1.7'), 'prices.pdf'],
  ['picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47]), 'plan.json'],
  ['web page', utf8('\ufeff\n<!DOCTYPE html><html>'), 'prices.json'],
  ['calendar', utf8('BEGIN:VCALENDAR\r\nVERSION:2.0'), 'holidays.json'],
  ['plan', utf8('{ "format": "notchgauge/plan/1" }'), 'a.txt'],
  ['JSON', utf8('[1, 2]'), 'a.json'],
  ['table', utf8('name;vcpu'), 'a.csv'],
  ['YAML', utf8('machines:\n  - a'), 'plan.yaml'],
  [undefined, utf8('what is this'), 'a.bin'],
  [undefined, new Uint8Array(), ''],
])('a %s is known by its first bytes', (kind, bytes, name) => {
  expect(knownKind(bytes, name)).toBe(kind)
})

test('files that Notchgauge itself ships are let in where they belong', () => {
  for (const name of readdirSync('data').filter((file) => file.endsWith('.json'))) {
    expect(wrongDoor(readFileSync(`data/${name}`).subarray(0, 4_096), name, 'import')).toBeUndefined()
  }
})

test.each<[Door, Uint8Array, string, RegExp | undefined]>([
  ['import', sheet, 'a.xlsx', /save the sheet as CSV/],
  ['import', utf8('BEGIN:VCALENDAR'), 'a.ics', /On a machine’s week/],
  ['import', utf8('{"format":"notchgauge/estimate/4"}'), 'a.json', /Export the plan itself/],
  ['holidays', utf8('{"format":"notchgauge/plan/1"}'), 'a.json', /Import a plan/],
  ['holidays', utf8('date,name'), 'a.csv', /iCalendar/],
  ['holidays', utf8('BEGIN:VCALENDAR'), 'a.ics', undefined],
  ['schedule', utf8('{"format":"notchgauge/schedule/2"}'), 'a.json', undefined],
])('at %s it is said what to do', (door, bytes, name, advice) => {
  const issue = wrongDoor(bytes, name, door)
  if (advice) expect(issue?.expected).toMatch(advice)
  else expect(issue).toBeUndefined()
})
