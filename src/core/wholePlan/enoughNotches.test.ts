import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { finish } from '../finish.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { surveyPlan } from './surveyPlan.ts'
import { chargesWithin } from '../meter/chargesWithin.ts'
import { parseDecimal, toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, compare, divide, exact, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import { instant } from '../quantity/units.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { budgetReach } from './budgetReach.ts'
import { creditRunway } from './creditRunway.ts'
import { enoughNotches, withNotches } from './enoughNotches.ts'
import { PlanSpending } from './planSpending.ts'

const parts: Partial<Machine>[] = [{ off: 'stopped' }, { off: 'stopped' }, { off: 'running', size: 'small' }]
const plan = {
  machines: parts.map((part, i) => ({ ...SMALL_MACHINE, name: `m${i}`, ...part })),
  weeks: [OFFICE_WEEK],
}
const MARCH = '2027-03' as YearMonth
const inputs = { plan, books: [SMALL_BOOK], reading: 'calendar' as const, month: MARCH }
const { notches } = finish(surveyPlan({ ...inputs, currency: 'EUR', decimals: 2 }))
const credit = (amount: string) => ({
  amount,
  from: '2027-03-01',
  expires: '2027-05-31',
  timeZone: 'Etc/UTC',
})

describe('what makes a credit last', () => {
  // As planned these machines cost 413.90 in March, and about 1,230 in the three months.
  test('nothing, where it lasts anyway', () => {
    expect(enoughNotches(inputs, credit('2000'), notches)!.notches).toEqual([])
  })

  test.each([
    ['1000', 1],
    ['750', 2],
    ['560', 3],
  ])('of %s: %i notches, and no set of fewer does', (amount, count) => {
    const enough = enoughNotches(inputs, credit(amount), notches)!
    expect(enough.notches).toHaveLength(count)
    expect(enough.runway.end.kind).toBe('expires')
    const loose = notches.filter(({ losses }) => losses.every(({ kind }) => kind !== 'bound'))
    for (const set of setsOf(loose, count - 1)) {
      const other = creditRunway(
        new PlanSpending({ ...inputs, plan: withNotches(plan, set) }),
        credit(amount),
      )
      expect(other.end.kind).toBe('used-up')
    }
  })

  test('is not there where everything together is not enough', () => {
    expect(enoughNotches(inputs, credit('10'), notches)).toBeUndefined()
  })
})

/** Every set of so many. */
function setsOf<T>(all: readonly T[], count: number): T[][] {
  if (count === 0) return [[]]
  return all.flatMap((each, i) => setsOf(all.slice(i + 1), count - 1).map((rest) => [each, ...rest]))
}

describe('a month against its budget', () => {
  const month = new PlanSpending(inputs).of(MARCH)
  const planned = parseDecimal('413.90')!
  const when = (at: number | undefined): string | undefined =>
    at === undefined ? undefined : new Date(at * 1000).toISOString().slice(0, 13)

  test('is over it from an hour on, and by an amount', () => {
    const { left, at } = budgetReach(month, '200', planned)
    expect(toDecimal(left, 2)).toBe('-213.90')
    // Machines that are charged all month: evenly, 200 of 413.90 are 359.5 of 744 h.
    expect(when(at)).toBe('2027-03-15T23')
  })

  test('is within it, to the cent', () => {
    expect(budgetReach(month, '413.90', planned)).toMatchObject({ at: undefined })
    expect(when(budgetReach(month, '413.89', planned).at)).toBe('2027-03-31T23')
  })

  test('of nothing, is over it at once', () => {
    expect(when(budgetReach(month, '0', planned).at)).toBe('2027-03-01T00')
  })

  test('is reached in the hour that a walk through the month finds, on random plans', () => {
    const book = DEMO_BOOKS[1]!
    const anyMonth = fc.record({
      machines: fc.array(anyMachineOf(book, ['a', 'b']), { minLength: 1, maxLength: 3 }),
      weeks: fc.tuple(anyWeek('a'), anyWeek('b')),
      percent: fc.integer({ min: 1, max: 99 }),
    })
    fc.assert(
      fc.property(anyMonth, ({ machines: some, weeks, percent }) => {
        const machines = some.map((machine, i) => ({ ...machine, name: `m${i}` }))
        const { parts, leftOut } = new PlanSpending({
          plan: { machines, weeks },
          books: [book],
          reading: 'calendar',
        }).of(MARCH)
        fc.pre(leftOut.length === 0)
        const charges = parts.flatMap(({ estimate }) => estimate.charges)
        const total = charges.reduce((sum, { amount }) => add(sum, amount), ZERO)
        const budget = trimDecimal(toDecimal(divide(multiply(total, exact(percent)), exact(100)), 6))
        fc.pre(Number(budget) > 0)
        const { at } = budgetReach({ parts, leftOut }, budget, total)
        const { month } = parts[0]!.estimate
        let spent: Exact = ZERO
        let hour = month.from as number
        while (hour < month.to && compare(spent, parseDecimal(budget)!) < 0) {
          const span = { from: instant(hour), to: instant(hour + 3_600) }
          for (const part of chargesWithin({ charges }, span)) spent = add(spent, part.amount)
          hour += 3_600
        }
        expect(at).toBeGreaterThan(hour - 3_600)
        expect(at).toBeLessThanOrEqual(hour)
      }),
      { numRuns: 15 },
    )
  }, 60_000)
})
