import { expect, test } from 'vitest'
import { readingOfList } from './testing/answerToList.ts'
import { linesOfList } from './testing/linesOfList.ts'

const HEAD = 'machine,vCPU,RAM,site,'
const DISKS = (unit: string, price: string) => `disk,site,${unit}\nSlate,Leeds,${price}\n`

test.each<[string, Record<string, string>, string[]]>([
  [
    'what a price is beside, with a number of its own',
    { 'list.csv': `${HEAD}price\nOak,1,4 GiB,Leeds,"€0.05/h incl. 20 GB traffic"\n` },
    ['Oak 1/4, Leeds: 0.05 an hour'],
  ],
  [
    'cents for machines, whole money for disks',
    {
      'machines.csv': `${HEAD}cents per hour (EUR)\nOak,1,4 GiB,Leeds,2.5\n`,
      'disks.csv': DISKS('EUR per GiB-month', '0.05'),
    },
    ['Oak 1/4, Leeds: 0.025 an hour', 'slate, Leeds: 0.05 a GiB and month'],
  ],
  [
    'whole money for machines, cents for disks',
    {
      'machines.csv': `${HEAD}EUR per hour\nOak,1,4 GiB,Leeds,0.025\n`,
      'disks.csv': DISKS('cents per GiB-month (EUR)', '5'),
    },
    ['Oak 1/4, Leeds: 0.025 an hour', 'slate, Leeds: 0.05 a GiB and month'],
  ],
  [
    'machines by the vCPU in one table, by the machine in another',
    {
      'a.csv': `${HEAD}EUR per vCPU-hour\nOak,2,4 GiB,Leeds,0.02\n`,
      'b.csv': 'server,vCPU,memory,location,EUR per hour\nElm,4,8 GiB,Leeds,0.09\n',
    },
    ['Oak 2/4, Leeds: 0.04 an hour', 'Elm 4/8, Leeds: 0.09 an hour'],
  ],
  [
    'memory in megabytes of one letter',
    { 'list.csv': `${HEAD}EUR/h\nOak,1,512M,Leeds,0.01\nElm,2,4096M,Leeds,0.05\nAsh,2,16G,Leeds,0.08\n` },
    ['Oak 1/0.5, Leeds: 0.01 an hour', 'Elm 2/4, Leeds: 0.05 an hour', 'Ash 2/16, Leeds: 0.08 an hour'],
  ],
])('%s', async (_, files, lines) => {
  expect(await linesOfList(files)).toEqual(lines)
})

test.each<[string, string, string]>([
  [
    'two prices in a cell',
    `${HEAD}EUR/h\nOak,1,4 GiB,Leeds,0.02\nAsh,1,8 GiB,Leeds,0.04\nElm,1,4 GiB,Leeds,0.02 / 0.03\n`,
    'several-numbers',
  ],
  [
    'a price for each GiB of a machine',
    `${HEAD}EUR,unit\nOak,1,4 GiB,Leeds,0.02,hour\nElm,1,4 GiB,Leeds,0.005,GiB-hour\n`,
    'per-room',
  ],
])('%s is left out by name', async (_, content, problem) => {
  const { book, leftOut } = await readingOfList([{ name: 'list.csv', content }])
  expect(book?.sizes.map(({ name }) => name)).not.toContain('Elm')
  expect(leftOut.map(({ leftOut: each }) => each.why === 'unreadable' && each.problem)).toEqual([problem])
})

test('where all prices of machines are for each GiB, which column has the price is asked', async () => {
  const content = `${HEAD}EUR per GiB-hour\nOak,1,4 GiB,Leeds,0.005\n`
  const { book, unsure } = await readingOfList([{ name: 'list.csv', content }])
  expect([book?.sizes ?? [], unsure]).toEqual([[], expect.arrayContaining(['field/price'])])
})

test('numbers that only look like times are no days', async () => {
  const content = `since,${HEAD}EUR/h\n123456789012,Oak,1,4 GiB,Leeds,0.02\n`
  const { book, mapping } = await readingOfList([{ name: 'list.csv', content }])
  expect([book?.sizes.length, mapping.rows[0]!.fields.validFrom]).toEqual([1, undefined])
})

test('cells of any length cost no more than to look at their length', async () => {
  const long = 100_000
  const content = `valid from,${HEAD}EUR/h,unit,note
2027-01-01,Oak,1,4 GiB,Leeds,0.02,hour,${'1'.repeat(long)}
2027-01-01,Tea,1,4 GiB,Leeds,0.06,hour,
2027-01-01,Box,1,4 GiB,Leeds,0.07,hour,
2027-01-01,Elm,1,4 GiB,Leeds,${'2'.repeat(long)},hour,
2${' '.repeat(long)}x,Ash,1,4 GiB,Leeds,0.03,hour,
2027-01-01,Fir,1,4 GiB,Leeds,"0.04${' '.repeat(long)}x",hour,
2027-01-01,Yew,1,4 GiB,Leeds,0.05,${'1 '.repeat(long / 2)}hour,
`
  const { book, leftOut, rows, used } = await readingOfList([{ name: 'list.csv', content }])
  expect(book?.sizes.map(({ name }) => name)).toContain('Oak')
  expect(used + leftOut.reduce((sum, each) => sum + each.rows, 0)).toBe(rows)
})
