import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkPriceBook } from '../../files/priceBook/checkPriceBook.ts'
import { newMachine } from '../carry/newMachine.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { answered } from '../manner/billingAnswers.ts'
import type { Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { diskRows, dropDisk, isUnpriced, putDisk } from './diskRows.ts'
import { newBook } from './newBook.ts'
import { readSizeRow } from './readRow.ts'
import { dropSize, PERIODS, plainPrice, putSize } from './sizeRows.ts'

const HOURLY = { region: 'north-quay', period: 'hour' } as const
const EMPTY = newBook({
  id: 'own',
  name: 'Own',
  currency: 'EUR',
  place: { id: 'north-quay', name: 'North Quay' },
  from: '2027-03-01',
})
const TERN = { name: 'Tern 4-16', vcpu: 4, memoryGiB: gib(16), price: '0.1728' }
const withTern = putSize(EMPTY, undefined, TERN, HOURLY)

function monthOf(book: PriceBook): string {
  const machine = newMachine(book, 'first', OFFICE_WEEK)!
  const plan: Plan = {
    name: 'p',
    month: '2027-03' as Plan['month'],
    weeks: [OFFICE_WEEK],
    machines: [machine],
  }
  const priced = new PlanPricing({ plan, books: [book], month: plan.month, reading: 'calendar' }).of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  return toDecimal(priced.estimate.total, 6)
}

describe('a size that is typed', () => {
  test('is enough for a first month: (828,000 + 23 × 30) s × 0.1728 ÷ 3,600, and a disk of unknown price', () => {
    expect(monthOf(withTern)).toBe('39.777120')
    expect(checkPriceBook(withTern)).toEqual([])
  })

  test('and a disk in bands stays so until its price is changed', () => {
    const book = putDisk(withTern, undefined, { name: 'Plain', price: '0.08' }, 'north-quay')
    const bands = { perGiBMonthBands: [{ upTo: 50, price: '0.08' }, { price: '0.05' }] }
    const [kind] = book.diskKinds
    const there = { ...book.prices['north-quay']!, disks: { [kind!.id]: bands } }
    const banded = { ...book, prices: { 'north-quay': there } }
    const put = (name: string, price: string) =>
      putDisk(banded, { kind: kind!.id }, { name, price }, 'north-quay').prices['north-quay']!.disks[kind!.id]
    expect(put('Renamed', '0.08')).toEqual(bands)
    expect(put('Plain', '0.09')).toEqual({ perGiBMonth: '0.09' })
  })

  test('and a disk at 0.08 a GiB: 64 GiB cost 5.12 more', () => {
    const book = putDisk(withTern, undefined, { name: 'Plain', price: '0.08' }, 'north-quay')
    expect(monthOf(book)).toBe('44.897120')
    expect(isUnpriced(withTern)).toBe(true)
    expect(isUnpriced(book)).toBe(false)
    expect(book.diskKinds.map(({ name }) => name)).toEqual(['Plain'])
  })

  test('keeps its bands when it is renamed, and gives them up for another price', () => {
    const bands = [{ upTo: 100, price: '0.1728' }, { price: '0.1' }]
    const prices = { ...withTern.prices['north-quay']!, sizes: { 'tern-4-16': { perHourBands: bands } } }
    const banded = { ...withTern, prices: { 'north-quay': prices } }
    const renamed = putSize(banded, 'tern-4-16', { ...TERN, name: 'Tern' }, HOURLY)
    expect(plainPrice(banded, 'tern-4-16', HOURLY)).toBe('0.1728')
    expect(renamed.prices['north-quay']!.sizes['tern-4-16']).toEqual({ perHourBands: bands })
    const repriced = putSize(banded, 'tern-4-16', { ...TERN, price: '0.2' }, HOURLY)
    expect(repriced.prices['north-quay']!.sizes['tern-4-16']).toEqual({ perHour: '0.2' })
  })

  test('keeps its other figures and prices when it is changed', () => {
    const [porto] = DEMO_BOOKS[0]!.regions
    const id = 'heron-4-16'
    const before = DEMO_BOOKS[0]!
    const after = putSize(before, id, { ...TERN, price: '0.3' }, { region: porto!.id, period: 'hour' })
    const own = before.sizes.find((size) => size.id === id)!
    expect(after.sizes.find((size) => size.id === id)).toEqual({ ...own, name: 'Tern 4-16' })
    const price = before.prices.porto!.sizes[id]!
    expect(after.prices.porto!.sizes[id]).toEqual({ ...price, perHour: '0.3' })
    expect(after.prices.gdynia).toBe(before.prices.gdynia)
  })

  test('has its price where it is charged until it is deleted, too', () => {
    const flat = answered(withTern, 'when-off', 'until-deleted')
    const dearer = putSize(flat, 'tern-4-16', { ...TERN, price: '38.5' }, { ...HOURLY, period: 'month' })
    expect(dearer.prices['north-quay']!.sizes['tern-4-16']).toEqual({ terms: { flat: { perMonth: '38.5' } } })
    expect(plainPrice(dearer, 'tern-4-16', { ...HOURLY, period: 'month' })).toBe('38.5')
    expect(plainPrice(dearer, 'tern-4-16', HOURLY)).toBeUndefined()
  })

  test('that is dropped leaves nothing behind', () => {
    expect(dropSize(withTern, 'tern-4-16')).toEqual(EMPTY)
  })
})

describe('disks that are typed', () => {
  const put = (book: PriceBook, name: string, price: string, whole?: number) =>
    putDisk(
      book,
      undefined,
      { name, price, ...(whole !== undefined && { wholeGiB: gib(whole) }) },
      'north-quay',
    )

  test('sold whole under one name are steps of one kind', () => {
    const book = put(put(put(withTern, 'Block', '9', 128), 'Block', '5', 64), 'By room', '0.1')
    expect(book.diskKinds.map(({ name, room }) => [name, room])).toEqual([
      ['Block', { by: 'step', stepsGiB: [64, 128] }],
      ['By room', { by: 'gib', leastGiB: 1, mostGiB: 65_536 }],
    ])
    expect(book.prices['north-quay']!.disks.disk).toEqual({ perMonthByStep: { 64: '5', 128: '9' } })
    expect(checkPriceBook(book)).toEqual([])
  })

  test('a step goes without the others, and the last row leaves the price unknown', () => {
    const book = put(put(withTern, 'Block', '9', 128), 'Block', '5', 64)
    const less = dropDisk(book, { kind: 'disk', wholeGiB: gib(64) })
    expect(diskRows(less, 'north-quay')).toMatchObject([{ name: 'Block', price: '9', wholeGiB: 128 }])
    expect(checkPriceBook(less)).toEqual([])
    expect(isUnpriced(dropDisk(less, { kind: 'disk', wholeGiB: gib(128) }))).toBe(true)
  })
})

test('whatever is typed, changed and dropped, the book stands and its rows say what was typed last', () => {
  const rows = fc.array(
    fc.record({
      name: fc.constantFrom('Tern', 'Dunlin', 'Curlew', 'Größe 4', '大'),
      vcpu: fc.integer({ min: 1, max: 64 }),
      memoryGiB: fc.integer({ min: 1, max: 512 }).map(gib),
      price: fc.constantFrom('0.1', '12', '0.0000001'),
      period: fc.constantFrom(...PERIODS),
      drops: fc.boolean(),
      whole: fc.constantFrom(undefined, 32, 64),
    }),
    { maxLength: 12 },
  )
  fc.assert(
    fc.property(rows, (typed) => {
      let book = withTern
      for (const { drops, period, whole, ...row } of typed) {
        const at = { region: 'north-quay', period }
        const id = book.sizes.find(({ name }) => name === row.name)?.id
        book = drops && id !== undefined ? dropSize(book, id) : putSize(book, id, row, at)
        if (!drops) {
          const own = book.sizes.find(({ name }) => name === row.name)!
          expect(own).toMatchObject({ vcpu: row.vcpu, memoryGiB: row.memoryGiB })
          expect(plainPrice(book, own.id, at)).toBe(row.price)
        }
        const disk = {
          name: row.name,
          price: row.price,
          ...(whole !== undefined && { wholeGiB: gib(whole) }),
        }
        const [first] = diskRows(book, 'north-quay')
        book =
          drops && first
            ? dropDisk(book, first.at)
            : putDisk(book, drops ? undefined : first?.at, disk, 'north-quay')
        if (!drops) expect(diskRows(book, 'north-quay')).toContainEqual(expect.objectContaining(disk))
        expect(checkPriceBook(book)).toEqual([])
      }
    }),
  )
})

test('a figure that could be read in two ways says what it was taken for', () => {
  const read = readSizeRow(['Oak', '2', '8', '1,234'], new Set())
  expect(read).toMatchObject({
    ok: true,
    row: { price: '1234' },
    guessed: [undefined, undefined, undefined, '1234'],
  })
  expect(readSizeRow(['Oak', '2', '8', '0,123'], new Set())).toMatchObject({
    row: { price: '0.123' },
    guessed: [undefined, undefined, undefined, undefined],
  })
})
