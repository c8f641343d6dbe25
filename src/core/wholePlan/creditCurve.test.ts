import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { finish } from '../finish.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { surveyPlan, type PlanNotch } from './surveyPlan.ts'
import { chargesWithin } from '../meter/chargesWithin.ts'
import { parseDecimal, toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, compare, divide, exact, multiply, toNumber, ZERO, type Exact } from '../quantity/exact.ts'
import { instant } from '../quantity/units.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { budgetReach } from './budgetReach.ts'
import { creditRunway } from './creditRunway.ts'
import { creditCurve, withNotches } from './creditCurve.ts'
import { PlanSpending } from './planSpending.ts'
import { randomRuns } from '../testing/randomRuns.ts'

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

describe('how long a credit lasts against how much is changed', () => {
  const runwayOf = (amount: string, count: number, changes: readonly PlanNotch[]) =>
    creditRunway(
      new PlanSpending({ ...inputs, plan: withNotches(plan, changes.slice(0, count)) }),
      credit(amount),
    )

  // As planned these machines cost 413.90 in March, and about 1,230 in the three months.
  test('needs nothing where it lasts anyway', () => {
    const { changes, points } = creditCurve(inputs, credit('2000'), notches)
    expect(changes).toEqual([])
    expect(points).toMatchObject([{ count: 0, end: { kind: 'expires' } }])
  })

  test.each(['1000', '750', '560', '10'])('of %s, each point is the full price of its changes', (amount) => {
    const { changes, points } = creditCurve(inputs, credit(amount), notches)
    expect(points.map(({ count }) => count)).toEqual(changes.map((_, i) => i).concat(changes.length))
    for (const { count, end } of points) expect(end).toEqual(runwayOf(amount, count, changes).end)
    // It stops with the first that lasts.
    const lasting = points.filter(({ end }) => end.kind === 'expires')
    expect(lasting.length).toBe(amount === '10' ? 0 : 1)
  })

  test('of a credit at one provider, others’ machines change nothing', () => {
    const elsewhere = { ...credit('10'), provider: 'fennmark' }
    expect(creditCurve(inputs, elsewhere, notches)).toMatchObject({
      changes: [],
      points: [{ count: 0, end: { kind: 'expires' } }],
    })
    const here = { ...credit('750'), provider: 'mill' }
    expect(creditCurve(inputs, here, notches)).toEqual(creditCurve(inputs, credit('750'), notches))
  })

  test('begins with what costs nothing to live with, the largest saving first; nobody is bound', () => {
    const { changes, lossless } = creditCurve(inputs, credit('10'), notches)
    expect(changes.length).toBeGreaterThan(3)
    expect(changes.map(({ losses }) => losses.length === 0)).toEqual(changes.map((_, i) => i < lossless))
    for (const part of [changes.slice(0, lossless), changes.slice(lossless)]) {
      const savings = part.map(({ saving }) => toNumber(saving!))
      expect(savings).toEqual([...savings].sort((a, b) => b - a))
    }
    expect(changes.flatMap(({ losses }) => losses).filter(({ kind }) => kind === 'bound')).toEqual([])
  })

  test('equals pricing each prefix, on random plans', () => {
    const book = DEMO_BOOKS[0]!
    const anyPlan = fc.record({
      machines: fc.array(anyMachineOf(book, ['a']), { minLength: 1, maxLength: 3 }),
      weeks: fc.tuple(anyWeek('a')),
    })
    fc.assert(
      fc.property(anyPlan, ({ machines: some, weeks }) => {
        const machines = some.map((machine, i) => ({ ...machine, name: `m${i}` }))
        const own = { plan: { machines, weeks }, books: [book], reading: 'calendar' as const, month: MARCH }
        const found = finish(surveyPlan({ ...own, currency: book.currency, decimals: 2 })).notches
        const { changes, points } = creditCurve(own, credit('60'), found)
        for (const { count, end } of points) {
          const changed = withNotches(own.plan, changes.slice(0, count))
          expect(end).toEqual(creditRunway(new PlanSpending({ ...own, plan: changed }), credit('60')).end)
        }
      }),
      randomRuns(4),
    )
  }, 60_000)
})

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
      randomRuns(6),
    )
  }, 60_000)
})
