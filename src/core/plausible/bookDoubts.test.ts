import { expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { ListUnits } from '../pricelist/listMapping.ts'
import { unitMend } from '../pricelist/unitMend.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { bookDoubts } from './bookDoubts.ts'
import { bookFigures } from './bookFigures.ts'

const UNITS: ListUnits = { memory: 'GiB', vcpuPerCount: 1, period: 'hour', perCount: 1, diskRoom: 'GiB' }

/** A size of 2 vCPU and 8 GiB at a price an hour, and a disk at a price a GiB. */
const bookOf = (perHour: string, part: Partial<PriceBook> = {}, memoryGiB = 8): PriceBook => ({
  ...SMALL_BOOK,
  sizes: [{ ...SMALL_BOOK.sizes[0]!, id: 'one', vcpu: 2, memoryGiB: gib(memoryGiB) }],
  prices: {
    [SMALL_BOOK.regions[0]!.id]: {
      sizes: { one: { perHour } },
      disks: { [SMALL_BOOK.diskKinds[0]!.id]: { perGiBMonth: '0.05' } },
      addresses: {},
    },
  },
  ...part,
})

test('the demo’s books raise no doubt, alone or beside each other', () => {
  for (const book of DEMO_BOOKS) {
    const others = DEMO_BOOKS.filter((other) => other !== book).map(bookFigures)
    expect([book.provider.name, bookDoubts(book, []), bookDoubts(book, others)]).toEqual([
      book.provider.name,
      [],
      [],
    ])
  }
})

test.each<[string, PriceBook, Partial<ListUnits>, object | undefined]>([
  ['a thousand times', bookOf('80'), { decimalMark: '.' }, { decimalMark: ',' }],
  ['a month’s price for an hour', bookOf('58.4'), {}, { period: 'month' }],
  ['an hour’s price for a month', bookOf('0.0001095'), { period: 'month' }, { period: 'hour' }],
  ['cents', bookOf('8'), {}, { parts: 100 }],
  ['millionths', bookOf('80000'), {}, { parts: 1_000_000 }],
  ['a price for 720 hours', bookOf('0.000111'), { perCount: 720 }, { perCount: 1 }],
  ['memory in MiB', bookOf('0.08', {}, 8_192), {}, { memory: 'MiB' }],
  ['a price in a smaller currency', bookOf('0.4', { currency: 'PLN' }), {}, undefined],
])('%s is doubted, with its likely cause', (_, book, part, mend) => {
  const [doubt] = bookDoubts(book, [])
  expect(doubt && unitMend(doubt, { ...UNITS, ...part }, [])?.units).toEqual(mend)
})

test('what no bound tells, other books do; an unsure answer is the likelier cause', () => {
  const dear = bookOf('0.8')
  expect(bookDoubts(dear, [])).toEqual([])
  const [doubt] = bookDoubts(dear, [bookFigures(bookOf('0.02'))])
  expect(doubt).toMatchObject({ about: 'machineHour', by: 'other-books' })
  expect(unitMend(doubt!, UNITS, [])?.units).toEqual({ parts: 100 })
})

test('a larger step that costs less is told once a kind', () => {
  const [kind] = SMALL_BOOK.diskKinds
  const book = bookOf('0.08')
  const region = SMALL_BOOK.regions[0]!
  const prices = {
    [region.id]: {
      ...book.prices[region.id]!,
      disks: { [kind!.id]: { perMonthByStep: { 32: '1.6', 64: '6.4', 128: '3.2' } } },
    },
  }
  expect(bookDoubts({ ...book, prices }, [])).toEqual([
    { about: 'falling-steps', disk: kind!.name, place: region.name, smaller: 64, larger: 128 },
  ])
})

test('a book is measured by whatever it is priced by', () => {
  const priced = (perHour: object, disk: object): PriceBook => {
    const book = bookOf('0')
    const [region] = book.regions
    const prices = { sizes: { one: perHour }, disks: { [book.diskKinds[0]!.id]: disk }, addresses: {} }
    return { ...book, prices: { [region!.id]: prices } }
  }
  const bands = [{ upTo: 10, price: '0.06' }, { price: '0.01' }]
  const figures = [
    priced({ perHour: '0.06' }, { perGiBMonth: '0.05' }),
    priced({ perVcpuHour: '0.02', perGiBHour: '0.0025' }, { perMonthByStep: { '100': '5' } }),
    priced({ perMonth: '43.8' }, { perGiBMonthBands: [{ price: '0.05' }] }),
    priced({ perCoreHour: '0.03' }, { perGiBMonth: '0.05' }),
    priced({ perHourBands: bands }, { perGiBMonth: '0.05' }),
  ].map(bookFigures)
  for (const { machineHour, diskGiBMonth } of figures) {
    expect(machineHour).toBeCloseTo(0.02, 9)
    expect(diskGiBMonth).toBeCloseTo(0.05, 9)
  }
})
