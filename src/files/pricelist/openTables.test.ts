import { gzipSync, strToU8, zipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { answerToList, readingOfList } from './testing/answerToList.ts'
import { windle } from './testing/windle.ts'
import { workbook } from './testing/workbook.ts'

type Content = string | Uint8Array<ArrayBuffer>

const answerTo = (...files: readonly (readonly [string, Content])[]) =>
  answerToList(files.map(([name, content]) => ({ name, content })))

const packed = (files: Record<string, Uint8Array>) => zipSync(files) as Uint8Array<ArrayBuffer>
const LIST = 'size,vcpu,memory GiB,place,EUR per hour\ns1,2,4,Lyon,0.1\ns2,4,8,Lyon,0.2\n'

async function tablesOf(...files: readonly (readonly [string, Content])[]): Promise<string[]> {
  const answer = await answerTo(...files)
  if (!answer.ok) throw new Error(answer.issues[0].problem)
  return answer.value.tables.map(({ name, rows, role }) => `${name}: ${rows}, ${role}`)
}

describe('a list is what its bytes say, whatever it is called', () => {
  test('files in a zip are tables; hidden ones are not looked at', async () => {
    const zip = packed({
      'march/prices.csv': strToU8(LIST),
      '__MACOSX/._prices.csv': strToU8('x'),
      'march/': new Uint8Array(),
    })
    expect(await tablesOf(['march.zip', zip])).toEqual(['prices: 2, prices'])
  })

  test('a spreadsheet is one by its workbook', async () => {
    const [file] = windle().files
    expect(await tablesOf(['download', file!.content])).toEqual([
      'Sizes: 12, partner',
      'Prices: 12, prices',
      'Disks: 6, prices',
    ])
  })

  test('numbers of a spreadsheet are plain figures, and a formula counts as text counts', async () => {
    const sheet = workbook([
      {
        name: 'One',
        cells: [
          ['size', 'vcpu', 'memory GiB', 'place', 'EUR per second'],
          ['s1', 2, 4, 'Lyon', 1.25e-7],
          ['s2', 4, 8, 'Lyon', 2.5e-7],
          ['s3', 8, 16, 'Lyon', '=A1+1'],
        ],
      },
    ])
    const answer = await answerTo(['a.xlsx', sheet])
    const read = answer.ok ? answer.value : undefined
    expect(read?.book?.prices.lyon?.sizes).toEqual({
      s1: { perSecond: '0.000000125' },
      s2: { perSecond: '0.00000025' },
    })
    expect(read?.leftOut).toMatchObject([{ rows: 1, leftOut: { problem: 'several-numbers' } }])
  })

  test('columns that blanks part are columns', async () => {
    const text =
      'Size    vCPU  Memory GiB  Place      EUR per hour\nbig one  4     8           New York   0.2\nsmall   2     4           Lyon       0.1\n'
    const answer = await answerTo(['prices.txt', text])
    expect(answer.ok && answer.value.book?.regions.map(({ name }) => name)).toEqual(['New York', 'Lyon'])
  })

  test('files of one name are told apart', async () => {
    expect(await tablesOf(['a/list.csv', LIST], ['b/list.csv', LIST])).toEqual([
      'list: 2, prices',
      'list (2): 2, prices',
    ])
  })
})

describe('what cannot be read is said', () => {
  const zip = packed({ 'list.csv': strToU8(LIST) })
  test.each<[string, string, Content, RegExp]>([
    ['a zip within a zip', 'a.zip', packed({ 'b.zip': zip }), /b\.zip is a zip within a zip/],
    [
      'what is packed twice',
      'a.csv.gz',
      gzipSync(gzipSync(strToU8(LIST))) as Uint8Array<ArrayBuffer>,
      /packed twice/,
    ],
    ['a zip that is cut off', 'a.zip', zip.slice(0, 60), /cut off/],
    [
      'a gzip that is cut off',
      'a.csv.gz',
      (gzipSync(strToU8(LIST.repeat(50))) as Uint8Array<ArrayBuffer>).slice(0, 40),
      /cut off/,
    ],
    ['an empty zip', 'a.zip', packed({ 'folder/': new Uint8Array() }), /holds no file|cut off/],
    [
      'too many files',
      'a.zip',
      packed(Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`f${i}.csv`, strToU8(LIST)]))),
      /60 files/,
    ],
    ['a picture', 'a.csv', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13, 0, 1, 2]), /is a picture/],
    ['a page without a table', 'a.html', '<p>4 vCPU</p>', /no table/],
    [
      'nesting without end',
      'a.json',
      '[1]'.replace('1', '['.repeat(60) + '{"a":1}' + ']'.repeat(60)),
      /nested deeper/,
    ],
    [
      'a spreadsheet that is none',
      'a.xlsx',
      packed({ 'xl/workbook.xml': strToU8('<nothing') }),
      /spreadsheet/,
    ],
  ])('%s', async (_, name, content, problem) => {
    const answer = await answerTo([name, content])
    expect(!answer.ok && `${answer.issues[0].problem} ${answer.issues[0].expected}`).toMatch(problem)
  })

  test('a pack of much that is nothing is refused by what it would unpack to', async () => {
    const bomb = packed({ 'a.csv': strToU8(LIST) })
    // The directory at its end says how large each file is.
    const directory = bomb.findLastIndex((_, i) =>
      [0x50, 0x4b, 1, 2].every((byte, at) => bomb[i + at] === byte),
    )
    new DataView(bomb.buffer).setUint32(directory + 24, 300 * 1024 * 1024, true)
    const answer = await answerTo(['a.zip', bomb])
    expect(!answer.ok && answer.issues[0].problem).toBe('a.zip unpacks to 300 MiB.')
  })
})

describe('tables that are joined', () => {
  const sizes = 'code,name,vcpu,memory GiB\nA,alder,2,4\nB,birch,4,8\nB,birch again,4,8\n'
  const prices = 'code,place,EUR per hour\nA,Lyon,0.1\nB,Lyon,0.2\nC,Lyon,0.3\nA,Porto,0.11\nB,Porto,0.21\n'

  test('say how many rows found their partner, which did not, and which keys stand more than once', async () => {
    const answer = await answerTo(
      ['sizes.csv', sizes.replace('B,birch again', 'D,dogwood')],
      ['prices.csv', prices],
    )
    if (!answer.ok) throw new Error(answer.issues[0].problem)
    expect(answer.value.joins).toEqual([
      {
        join: { table: 'prices', column: 'code', with: 'sizes', key: 'code' },
        found: 4,
        lacking: 1,
        examples: ['C'],
        repeated: [],
      },
    ])
    expect(answer.value.leftOut).toMatchObject([
      { rows: 1, examples: [4], leftOut: { why: 'no-partner', text: 'C' } },
    ])
    expect(answer.value.book?.sizes.map(({ name }) => name)).toEqual(['alder', 'birch'])
  })

  test('a key that stands twice multiplies no rows: the first counts, and it is told', async () => {
    const first = await answerTo(
      ['sizes.csv', sizes.replace('B,birch again', 'D,dogwood')],
      ['prices.csv', prices],
    )
    if (!first.ok) throw new Error('not read')
    const { mapping } = first.value
    const read = await readingOfList(
      [
        { name: 'sizes.csv', content: sizes },
        { name: 'prices.csv', content: prices.replace('C,', 'B,') },
      ],
      {
        mapping: {
          ...mapping,
          // A join with itself, one with a table that is not there, and two that look each other up.
          joins: [
            ...mapping.joins!,
            { table: 'sizes', column: 'code', with: 'prices', key: 'code' },
            { table: 'prices', column: 'code', with: 'none', key: 'code' },
          ],
        },
      },
    )
    expect(read.rows).toBe(5)
    expect(read.joins.find(({ join }) => join.with === 'sizes')?.repeated).toEqual(['B'])
    expect(read.book?.sizes.map(({ name }) => name)).toEqual(['alder', 'birch'])
  })
})
