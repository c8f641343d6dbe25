import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { isZero } from '../quantity/exact.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { weekOf } from '../testing/weeks.ts'
import { PlanPricing } from './planPricing.ts'

const FREE: PriceBook = {
  ...SMALL_BOOK,
  freeAllowances: [
    { id: 'pool', name: 'Pool', hoursPerMonth: 1_000, eligible: ['small'], until: '2027-12-31' },
  ],
} as PriceBook

function computeOf(week: typeof OFFICE_WEEK) {
  const machine = { ...SMALL_MACHINE, size: 'small', week: week.id, off: 'deallocated' as const }
  const plan = { weeks: [week], machines: [machine] }
  const pricing = new PlanPricing({ plan, books: [FREE], month: '2027-03' as YearMonth, reading: 'calendar' })
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  return priced.estimate.charges.filter(({ meter }) => meter === 'compute')
}

test('a machine that a free allowance covers has its line, also where it never runs', () => {
  const [covered, ...more] = computeOf(OFFICE_WEEK)
  expect(more).toEqual([])
  expect(isZero(covered!.amount)).toBe(true)
  expect(covered!.pieces.ticks).toBeGreaterThan(0)
  const [never, ...others] = computeOf(weekOf('Etc/UTC', []))
  expect(others).toEqual([])
  expect([isZero(never!.amount), never!.pieces.ticks]).toEqual([true, 0])
})
