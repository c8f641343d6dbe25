import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { RULE_BOOK } from '../../core/testing/ruleBook.ts'
import { SMALL_BOOK } from '../../core/testing/smallBook.ts'
import { bareBook } from '../../core/testing/bareBook.ts'
import { checkEditions } from './checkEditions.ts'
import { readPriceBook, writePriceBook } from './priceBookFile.ts'

const FENNMARK = readFileSync('data/fennmark.json', 'utf8')

type Loose = Record<string, unknown> & { [key: string]: Loose }

/** The issues of a book with one thing broken. */
function issuesOf(breakIt: (draft: Loose) => void, book = SMALL_BOOK) {
  const draft = JSON.parse(writePriceBook(book)) as Loose
  breakIt(draft)
  const read = readPriceBook(JSON.stringify(draft))
  return read.ok ? [] : read.issues
}

describe('a price book file', () => {
  test('is written as it was read, byte for byte', () => {
    const read = readPriceBook(FENNMARK)
    expect(read.ok && writePriceBook(read.value)).toBe(FENNMARK)
  })

  test('the books that ship are as large as real ones', () => {
    const names = ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10', 'quarry-row-2027-07']
    const books = names.map((name) => {
      const text = readFileSync(`data/${name}.json`, 'utf8')
      const read = readPriceBook(text)
      if (!read.ok) throw new Error(`${name}: ${JSON.stringify(read.issues)}`)
      expect(writePriceBook(read.value)).toBe(text)
      return read.value
    })
    const perProvider = books.slice(0, 4)
    const sum = (count: (book: (typeof books)[number]) => number) =>
      perProvider.reduce((total, book) => total + count(book), 0)
    expect(sum(({ sizes }) => sizes.length)).toBeGreaterThanOrEqual(150)
    expect([sum(({ regions }) => regions.length), sum(({ diskKinds }) => diskKinds.length)]).toEqual([13, 12])
    expect(new Set(perProvider.flatMap(({ images }) => images.map(({ id }) => id))).size).toBe(8)
    expect(books.flatMap((book, i) => checkEditions(book, books.slice(0, i)))).toEqual([])
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

describe('rules that do not hold together', () => {
  test.each<[string, (book: Loose) => void, string, string]>([
    [
      'a size without a price anywhere',
      (b) => (b.sizes as never as unknown[]).push({ ...b.sizes![0], id: 'lonely', name: 'Lonely' }),
      'missing-price',
      '/sizes/11',
    ],
    [
      'a size that is listed and has no price on any terms',
      (b) => delete b.prices!.east!.sizes!.tenth!.perHour,
      'missing-price',
      '/prices/east/sizes/tenth',
    ],
    [
      'a commitment paid up front without a price for that',
      (b) => delete b.prices!.east!.sizes!.middle!.terms!['year-part']!.upFront,
      'missing-price',
      '/prices/east/sizes/middle/terms/year-part/upFront',
    ],
    [
      'terms without a rate',
      (b) => (b.prices!.east!.sizes!.middle!.terms!.spot = {} as never),
      'missing-price',
      '/prices/east/sizes/middle/terms/spot',
    ],
    [
      'on-demand rates among the terms',
      (b) => (b.prices!.east!.sizes!.middle!.terms!['on-demand'] = { perHour: '1' } as never),
      'bad-value',
      '/prices/east/sizes/middle/terms/on-demand',
    ],
    [
      'traffic bands that do not reach the end',
      (b) => (b.prices!.east!.trafficOut![2]!.upToGiB = 2_000 as never),
      'bad-value',
      '/prices/east/trafficOut/2/upToGiB',
    ],
    [
      'traffic bands out of order',
      (b) => (b.prices!.east!.trafficOut![0]!.upToGiB = 2_000 as never),
      'bad-value',
      '/prices/east/trafficOut/1/upToGiB',
    ],
    [
      'a traffic band without an end before the last',
      (b) => delete b.prices!.east!.trafficOut![0]!.upToGiB,
      'bad-value',
      '/prices/east/trafficOut/0',
    ],
    [
      'bands of hours out of order',
      (b) => {
        b.prices!.east!.sizes!.tenth = {
          perHourBands: [{ upTo: 9, price: '1' }, { upTo: 9, price: '1' }, { price: '1' }],
        } as never
      },
      'bad-value',
      '/prices/east/sizes/tenth/perHourBands/1/upTo',
    ],
    [
      'bands of hours beside a price for all of them',
      (b) => (b.prices!.east!.sizes!.tenth!.perHourBands = [{ price: '1' }] as never),
      'bad-value',
      '/prices/east/sizes/tenth/perHourBands',
    ],
    [
      'bands of room that end before all room does',
      (b) => {
        b.prices!.east!.disks!.bought = { perGiBMonthBands: [{ upTo: 9, price: '1' }] } as never
      },
      'bad-value',
      '/prices/east/disks/bought/perGiBMonthBands/0/upTo',
    ],
    [
      'rebate bands that do not reach the end of the month',
      (b) => (b.billing!.longRunRebate = [{ upToShare: '0.5', rateShare: '1' }] as never),
      'bad-value',
      '/billing/longRunRebate/0/upToShare',
    ],
    [
      'rebate bands out of order',
      (b) =>
        (b.billing!.longRunRebate = ['0.5', '0.3', '1'].map((upToShare) => ({
          upToShare,
          rateShare: '1',
        })) as never),
      'bad-value',
      '/billing/longRunRebate/1/upToShare',
    ],
    [
      'a rebate that raises the rate',
      (b) => (b.billing!.longRunRebate = [{ upToShare: '1', rateShare: '1.2' }] as never),
      'bad-value',
      '/billing/longRunRebate/0/rateShare',
    ],
    [
      'a validity that ends before it begins',
      (b) => (b.valid!.until = '2026-01-01' as never),
      'bad-value',
      '/valid/until',
    ],
    ['a currency that is unknown', (b) => (b.currency = 'QQQ' as never), 'bad-value', '/currency'],
    [
      'replacements that lead in a circle',
      (b) => (b.replacedSizes = { past: 'older', older: 'past' } as never),
      'bad-value',
      '/replacedSizes/past',
    ],
    [
      'a replacement that is not there',
      (b) => (b.replacedSizes = { past: 'nowhere' } as never),
      'unknown-reference',
      '/replacedSizes/past',
    ],
    [
      'a replacement of a size that is sold',
      (b) => (b.replacedSizes = { small: 'middle' } as never),
      'bad-value',
      '/replacedSizes/small',
    ],
    ['cores that are not its vCPU', (b) => (b.sizes![7]!.cores = 3 as never), 'bad-value', '/sizes/7/cores'],
    [
      'a price by the core of a size without cores',
      (b) => (b.prices!.east!.sizes!.tenth!.perCoreHour = '1' as never),
      'bad-value',
      '/prices/east/sizes/tenth/perCoreHour',
    ],
    [
      'an allowance for a size that is not there',
      (b) => (b.freeAllowances = [{ id: 'pool', eligible: ['ghost'], until: '2028-01-01' }] as never),
      'unknown-reference',
      '/freeAllowances/0/eligible/0',
    ],
    [
      'a price for a disk that is part of its size',
      (b) => (b.prices!.east!.disks!.own = { perGiBMonth: '1' } as never),
      'bad-value',
      '/prices/east/disks/own',
    ],
    [
      'a subscription that is not there',
      (b) => (b.images![0]!.subscription = 'lost' as never),
      'unknown-reference',
      '/images/0/subscription',
    ],
  ])('%s', (_, breakIt, code, pointer) => {
    expect(issuesOf(breakIt, RULE_BOOK)[0]).toMatchObject({ code, pointer })
  })

  test('every problem is listed at once', () => {
    const issues = issuesOf((book) => {
      book.replacedSizes = { past: 'nowhere' } as never
      book.valid!.until = '2026-01-01' as never
      delete book.prices!.west
    }, RULE_BOOK)
    expect(issues.map(({ pointer }) => pointer)).toEqual([
      '/replacedSizes/past',
      '/valid/until',
      '/prices/west',
    ])
  })
})

describe('what a list of prices does not say', () => {
  test('may be absent, and stays so', () => {
    const bare = bareBook(SMALL_BOOK)
    const read = readPriceBook(writePriceBook(bare))
    expect(read).toMatchObject({ ok: true, value: bare })
    expect(read.ok && read.value.sizes[0]).toEqual(bare.sizes[0])
  })

  test('is a whole position or none', () => {
    const issues = issuesOf((book) => delete (book.regions![0] as { latitude?: unknown }).latitude)
    expect(issues).toMatchObject([{ code: 'bad-value', pointer: '/regions/0/latitude' }])
  })

  test('prices keep all their digits', () => {
    const east = SMALL_BOOK.prices.east!
    const prices = {
      ...SMALL_BOOK.prices,
      east: { ...east, sizes: { ...east.sizes, small: { perHour: '0.1034246575342466' } } },
    }
    const read = readPriceBook(writePriceBook({ ...SMALL_BOOK, prices }))
    expect(read.ok && read.value.prices.east?.sizes.small?.perHour).toBe('0.1034246575342466')
  })
})
