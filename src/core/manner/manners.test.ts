import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkPriceBook } from '../../files/priceBook/checkPriceBook.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { estimateMachine } from '../meter/estimateMachine.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { toNumber } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { MARCH } from '../testing/ruleLines.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { valueOf } from '../testing/valueOf.ts'
import { ANSWER_IDS } from './billingAnswer.ts'
import { answered, BILLING_ANSWERS, confirmed } from './billingAnswers.ts'
import { MANNERS, mannerOf, withManner, type Manner } from './manners.ts'

const PLAIN: PriceBook = { ...SMALL_BOOK, terms: [{ id: 'on-demand', name: 'On demand', kind: 'on-demand' }] }

/** What the machine time of 230 h of 744 costs at 0.2067 an hour; the disk costs 9.86 besides. */
function machineTime(book: PriceBook, part: Partial<Machine>): string {
  const terms = book.terms[0]!.id
  const machine = resolved({ size: 'middle', terms, ...part }, OFFICE_WEEK, book)
  const { charges } = valueOf(estimateMachine({ resolved: machine, month: MARCH }))
  return charges
    .filter(({ meter }) => meter === 'compute')
    .map(({ amount }) => trimDecimal(toDecimal(amount, 6)))
    .join(' + ')
}

describe('the usual manners, reckoned by hand for an office week of 23 runs', () => {
  test.each<[Manner, Partial<Machine>, string]>([
    // Each run is 30 s longer for going off: (828,000 + 23 × 30) s × 0.2067 ÷ 3,600
    ['gives-back', { off: 'deallocated' }, '47.580618'],
    ['keeps-charged', { off: 'deallocated' }, '47.580618'],
    ['keeps-charged', { off: 'stopped' }, '153.7848'],
    // 672 of 744 h
    ['until-deleted', { off: 'stopped' }, '138.9024 + 0'],
    // 10 h and 30 s are 11 begun hours: 253 h
    ['begun-hour', { off: 'deallocated' }, '52.2951'],
    ['flat-month', { off: 'stopped' }, '153.7848'],
    ['own-hardware', { off: 'deallocated' }, '47.541'],
  ])('%s, when off %j', (manner, part, expected) => {
    expect(machineTime(withManner(PLAIN, manner), part)).toBe(expected)
  })

  test('are told again from a book, and are assumed in it until someone confirms them', () => {
    for (const manner of MANNERS) {
      const book = withManner(PLAIN, manner)
      expect(mannerOf(book)).toBe(manner)
      expect(checkPriceBook(book)).toEqual([])
      expect(book.assumed?.map(({ from }) => from)).toEqual(book.assumed?.map(() => `manner/${manner}`))
    }
    const book = answered(withManner(PLAIN, 'gives-back'), 'counted-by', 'hour')
    expect(mannerOf(book)).toBe('begun-hour')
    expect(book.assumed?.map(({ about }) => about)).toEqual([
      'when-off',
      'change-times',
      'month-zone',
      'hibernation',
      'address-uses',
      'long-run-rebate',
      'free-hours',
    ])
  })

  test('confirming the last one leaves nothing assumed', () => {
    let book = withManner(PLAIN, 'gives-back')
    for (const { about } of book.assumed ?? []) book = confirmed(book, about)
    expect(book).not.toHaveProperty('assumed')
  })
})

describe('answers', () => {
  // Told apart by their places, so that a failure does not print them.
  const books = [...DEMO_BOOKS, PLAIN, ...MANNERS.map((manner) => withManner(PLAIN, manner))]
  const anyBook = fc.nat(books.length - 1)

  test('are the ones that were given, one after the other, in any book that has them to choose', () => {
    fc.assert(
      fc.property(
        anyBook,
        fc.array(fc.tuple(fc.constantFrom(...ANSWER_IDS), fc.nat(9)), { maxLength: 8 }),
        (start, given) => {
          let book = books[start]!
          for (const [id, pick] of given) {
            const { choices, valueOf: said } = BILLING_ANSWERS[id]
            const values = choices(book)
            if (values.length === 0) continue
            const value = values[pick % values.length]!
            book = answered(book, id, value)
            expect(said(book)).toBe(value)
            expect(checkPriceBook(book)).toEqual([])
          }
        },
      ),
    )
  })

  test('that were true before change nothing', () => {
    for (const book of DEMO_BOOKS) {
      for (const id of ANSWER_IDS) {
        expect(answered(book, id, BILLING_ANSWERS[id].valueOf(book))).toBe(book)
      }
    }
  })

  test('about long runs and free hours, reckoned by hand for 230 h and 23 × 30 s of a month', () => {
    // Half of March are 372 h: an office week stays below; always on has 372 h at 0.2067 and 372 h at three quarters.
    const rebated = answered(PLAIN, 'long-run-rebate', 'half-quarter')
    expect(machineTime(rebated, { off: 'running' })).toBe('76.8924 + 57.6693')
    expect(machineTime(answered(rebated, 'long-run-rebate', 'none'), { off: 'running' })).toBe('153.7848')
    // The smallest size alone is free; the disk of 9.86 is not.
    const book = answered(PLAIN, 'free-hours', 'one-smallest')
    const totalOf = (size: string): number => {
      const machine: Machine = { ...SMALL_MACHINE, size, off: 'running', week: OFFICE_WEEK.id }
      const plan = { machines: [machine], weeks: [OFFICE_WEEK] }
      const pricing = new PlanPricing({
        plan,
        books: [book],
        month: '2027-03' as YearMonth,
        reading: 'calendar',
      })
      const result = pricing.of(machine)
      return result.ok ? toNumber(result.estimate.total) : NaN
    }
    expect(totalOf('small')).toBeCloseTo(9.86, 9)
    expect(totalOf('middle')).toBeCloseTo(153.7848 + 9.86, 9)
  })

  test('about addresses move the one price to the uses that are charged, and lose it in none', () => {
    const fixed = (book: PriceBook) => book.prices.east!.addresses.fixed
    const price = fixed(PLAIN)!.unattached
    let book = answered(PLAIN, 'address-uses', 'unheld')
    expect(fixed(book)).toEqual({ attachedOn: '0', attachedOff: '0', unattached: price })
    book = answered(book, 'address-uses', 'while-off')
    expect(fixed(book)).toEqual({ attachedOn: '0', attachedOff: price, unattached: price })
    book = answered(book, 'address-uses', 'always')
    expect(fixed(book)).toEqual({ attachedOn: price, attachedOff: price, unattached: price })
  })

  test('about hibernation may set limits, and take them back', () => {
    const limited = answered(PLAIN, 'hibernation', 'limited')
    expect(limited.hibernation).toEqual({ mostMemoryGiB: 64, longestStayHours: 1_440 })
    expect(answered(limited, 'hibernation', 'free')).not.toHaveProperty('hibernation')
  })

  test('to charge until deleted and back leave all prices as they were', () => {
    const flat = answered(PLAIN, 'when-off', 'until-deleted')
    expect(flat.prices.east!.sizes.rare).toEqual({ zones: ['b'], terms: { flat: { perHour: '0.19' } } })
    expect(answered(flat, 'when-off', 'gives-back').prices).toEqual(PLAIN.prices)
  })
})

test('a cap is kept while prices are on demand, and holds again until deleted', () => {
  const capped = answered(withManner(PLAIN, 'until-deleted'), 'monthly-cap', '672')
  const onDemand = answered(capped, 'when-off', 'gives-back')
  expect(checkPriceBook(onDemand)).toEqual([])
  expect(onDemand.terms.map(({ kind }) => kind)).toEqual(['on-demand'])
  const again = answered(onDemand, 'when-off', 'until-deleted')
  expect([again.terms, again.billing, again.prices]).toEqual([capped.terms, capped.billing, capped.prices])
  const uncapped = answered(answered(capped, 'monthly-cap', 'none'), 'when-off', 'gives-back')
  expect(answered(uncapped, 'when-off', 'until-deleted').terms[0]).not.toHaveProperty('capHours')
})
