import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { SMALL_BOOK } from '../core/testing/smallBook.ts'
import { readPriceBook, writePriceBook } from './priceBookFile.ts'

const FENNMARK = readFileSync('data/fennmark.json', 'utf8')

type Loose = Record<string, unknown> & { [key: string]: Loose }

/** The issues of the small book with one thing broken. */
function issuesOf(breakIt: (draft: Loose) => void) {
  const draft = JSON.parse(writePriceBook(SMALL_BOOK)) as Loose
  breakIt(draft)
  const read = readPriceBook(JSON.stringify(draft))
  return read.ok ? [] : read.issues
}

describe('a price book file', () => {
  test('is written as it was read, byte for byte', () => {
    const read = readPriceBook(FENNMARK)
    expect(read.ok && writePriceBook(read.value)).toBe(FENNMARK)
  })

  test('Fennmark is as large as a real one', () => {
    const read = readPriceBook(FENNMARK)
    const book = read.ok ? read.value : undefined
    expect(book!.sizes.length).toBeGreaterThanOrEqual(45)
    expect([book!.regions.length, book!.diskKinds.length, book!.images.length]).toEqual([5, 4, 5])
  })
})

describe('a book that is refused says where and why', () => {
  test.each<[string, (book: Loose) => void, string, string]>([
    [
      'a price that is a number',
      (b) => (b.prices!.east!.sizes!.small!.perHour = 0.1 as never),
      'bad-value',
      '/prices/east/sizes/small/perHour',
    ],
    [
      'a price below zero',
      (b) => (b.licences![0]!.perVcpuHour = '-0.1' as never),
      'bad-value',
      '/licences/0/perVcpuHour',
    ],
    [
      'a price with an exponent',
      (b) => (b.licences![0]!.perVcpuHour = '1e3' as never),
      'bad-value',
      '/licences/0/perVcpuHour',
    ],
    ['a number that is not finite', (b) => (b.sizes![0]!.iops = null as never), 'bad-value', '/sizes/0/iops'],
    [
      'a size of no family',
      (b) => (b.sizes![0]!.family = 'lost' as never),
      'unknown-reference',
      '/sizes/0/family',
    ],
    [
      'a disk kind that is not there',
      (b) => (b.sizes![0]!.diskKinds = ['lost'] as never),
      'unknown-reference',
      '/sizes/0/diskKinds/0',
    ],
    [
      'an image of no licence',
      (b) => (b.images![0]!.licence = 'lost' as never),
      'unknown-reference',
      '/images/0/licence',
    ],
    [
      'a price for a size that is not there',
      (b) => (b.prices!.east!.sizes!.ghost = { perHour: '1' } as never),
      'unknown-reference',
      '/prices/east/sizes/ghost',
    ],
    [
      'a zone that is not there',
      (b) => (b.prices!.east!.sizes!.rare!.zones = ['q'] as never),
      'unknown-reference',
      '/prices/east/sizes/rare/zones/0',
    ],
    ['a region without prices', (b) => delete b.prices!.west, 'missing-price', '/prices/west'],
    [
      'a step without a price',
      (b) => delete b.prices!.east!.disks!.steps!.perMonthByStep!['64'],
      'missing-price',
      '/prices/east/disks/steps/perMonthByStep/64',
    ],
    [
      'steps out of order',
      (b) => (b.diskKinds![0]!.room!.stepsGiB = [64, 32, 128, 256] as never),
      'bad-value',
      '/diskKinds/0/room/stepsGiB',
    ],
    ['two sizes of one id', (b) => (b.sizes![1]!.id = 'small' as never), 'duplicate', '/sizes/1'],
    ['a currency that is none', (b) => (b.currency = 'euro' as never), 'bad-value', '/currency'],
    [
      'a state without its meters',
      (b) => delete b.states!.stopped!.compute,
      'bad-value',
      '/states/stopped/compute',
    ],
  ])('%s', (_, breakIt, code, pointer) => {
    expect(issuesOf(breakIt)).toMatchObject([{ code, pointer }])
  })

  test('a memory image that is charged needs a price in every region', () => {
    const issues = issuesOf((book) => (book.states!.hibernated!.memoryImage = true as never))
    expect(issues.map(({ pointer }) => pointer)).toEqual([
      '/prices/east/memoryImagePerGiBMonth',
      '/prices/west/memoryImagePerGiBMonth',
    ])
  })

  test('an id that would break out of a pointer is refused', () => {
    expect(issuesOf((book) => (book.regions![0]!.id = '../x' as never))[0]).toMatchObject({
      pointer: '/regions/0/id',
    })
  })
})

test('rules that cannot be computed yet are refused, never left out of a figure', () => {
  const book: PriceBook = {
    ...SMALL_BOOK,
    billing: { ...SMALL_BOOK.billing, vcpuPerCore: 2, longRunRebate: [{ upToShare: '1', rateShare: '0.7' }] },
    freeAllowances: [{ id: 'free', hoursPerMonth: 600, eligible: ['small'], until: '2028-01-01' }],
    terms: [...SMALL_BOOK.terms, { id: 'flat', name: 'Flat', kind: 'flat', capHours: 650 }],
  }
  const read = readPriceBook(writePriceBook(book))
  expect(!read.ok && read.issues.map(({ code, pointer }) => `${code} ${pointer}`)).toEqual([
    'not-computed-yet /billing/vcpuPerCore',
    'not-computed-yet /billing/longRunRebate',
    'not-computed-yet /freeAllowances',
    'not-computed-yet /terms/2',
  ])
})
