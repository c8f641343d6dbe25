import { describe, expect, test } from 'vitest'
import { add } from '../quantity/exact.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { bookFor } from '../catalogue/bookFor.ts'
import type { Plan } from '../machine/plan.ts'
import { parseDecimal, toDecimal } from '../quantity/decimal.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { planTotals } from './planTotals.ts'

const MARCH = '2027-03' as YearMonth
const amounts = (currency: string, total: string, alwaysOn = total) => ({
  currency,
  total: parseDecimal(total)!,
  alwaysOn: parseDecimal(alwaysOn)!,
})
const EURO_AND_DOLLAR = [amounts('EUR', '10.005'), amounts('USD', '100.004')]
const rate = (date: string, text: string) => ({ from: 'USD', to: 'EUR', rate: text, date })

const shown = (plan: Pick<Plan, 'currency' | 'exchangeRates' | 'taxPercent'>, all = EURO_AND_DOLLAR) => {
  const { currency, planned, tax, withoutRate } = planTotals(plan, all, MARCH, 2)
  return [currency, toDecimal(planned, 2), tax && toDecimal(tax, 2), withoutRate]
}

describe('a plan’s total', () => {
  test('leaves out what has no rate, and names it: never a zero, never a sum of two currencies', () => {
    expect(shown({ currency: 'EUR' })).toEqual(['EUR', '10.01', undefined, ['USD']])
    expect(shown({ currency: 'CHF' })).toEqual(['CHF', '0.00', undefined, ['EUR', 'USD']])
  })

  test('converts each machine by the newest rate that the month has, as it is shown', () => {
    const exchangeRates = [rate('2027-01-10', '0.9'), rate('2027-03-31', '0.9184'), rate('2027-04-01', '2')]
    // 100.004 × 0.9184 = 91.8436736
    expect(shown({ currency: 'EUR', exchangeRates })).toEqual(['EUR', '101.85', undefined, []])
    expect(shown({ currency: 'EUR', exchangeRates: [rate('2027-04-01', '2')] })[3]).toEqual(['USD'])
  })

  test('has its tax at the end: 23 % of what is shown', () => {
    expect(shown({ currency: 'EUR', taxPercent: '23' }).slice(1, 3)).toEqual(['10.01', '2.30'])
  })

  test('is in the currency of its first machine where the plan names none', () => {
    expect(shown({}, [amounts('USD', '1')])).toEqual(['USD', '1.00', undefined, []])
  })
})

describe('the book of a month', () => {
  const edition = (name: string, from: string, until?: string) => ({
    ...SMALL_BOOK,
    edition: name,
    valid: { from, ...(until !== undefined && { until }) },
  })
  const books = [
    edition('later', '2027-07-01'),
    edition('first', '2027-01-01', '2027-03-31'),
    edition('second', '2027-04-01'),
  ]
  const found = (month: string) => {
    const index = bookFor('mill', books, month as YearMonth)
    return index.ok ? index.value.book.edition : index.issues[0].code
  }

  test.each([
    ['2026-12', 'no-book-then'],
    ['2027-01', 'first'],
    ['2027-03', 'first'],
    ['2027-04', 'second'],
    ['2027-06', 'second'],
    ['2027-07', 'later'],
    ['2030-01', 'later'],
  ])('%s is priced by %s', (month, name) => {
    expect(found(month)).toBe(name)
  })

  test('is none after the last day of the last edition, nor of a provider without books', () => {
    expect(
      bookFor('mill', [edition('only', '2027-01-01', '2027-03-15')], '2027-04' as YearMonth),
    ).toMatchObject({ issues: [{ code: 'no-book-then', covered: ['2027-01-01 to 2027-03-15'] }] })
    expect(bookFor('nobody', books, MARCH)).toMatchObject({ issues: [{ code: 'no-book', known: ['mill'] }] })
  })
})

test('where nothing is priced and the plan says no currency, none is made up', () => {
  expect(planTotals({}, [], MARCH, 2)).toMatchObject({ currency: 'XXX', withoutRate: [] })
  expect(planTotals({ currency: 'CHF' }, [], MARCH, 2).currency).toBe('CHF')
})

test('net and tax add up to gross as all three are shown', () => {
  for (let cents = 1; cents < 400; cents += 7) {
    const total = (cents / 100).toFixed(2)
    const { planned, tax } = planTotals({ taxPercent: '22.5' }, [amounts('EUR', total)], MARCH, 2)
    // To the twelfth place: what is hidden behind the cents would show in the sum of many.
    expect(toDecimal(tax!, 12)).toMatch(/^\d+\.\d\d0{10}$/)
    const sum = Number(toDecimal(planned, 2)) + Number(toDecimal(tax!, 2))
    expect(toDecimal(add(planned, tax!), 2)).toBe(sum.toFixed(2))
  }
})
