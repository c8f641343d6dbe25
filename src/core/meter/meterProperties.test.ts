import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { withOffPlan } from '../off/offPlan.ts'
import { add, compare, ZERO } from '../quantity/exact.ts'
import { instant } from '../quantity/units.ts'
import { anyMachineOf, anyRulesOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { EVERY_DAY, weekOf, windowsOn } from '../testing/weeks.ts'
import { amountOf } from './makeCharge.ts'
import { dailyCosts } from './dailyCosts.ts'
import { ticksWithin } from './pieces.ts'
import { PlanPricing, type PricedMachine } from './planPricing.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const anyMonth = fc.integer({ min: 0, max: 11 }).map((count) => addMonths('2027-01' as YearMonth, count)!)

const anyCase = fc.constantFrom(...DEMO_BOOKS).chain((pattern) =>
  fc.record({
    book: anyRulesOf(pattern).map((book) => ({ ...book, valid: { from: '2027-01-01' } })),
    machine: anyMachineOf(pattern, ['one']),
    week: anyWeek('one'),
    month: anyMonth,
    reading: fc.constantFrom('calendar' as const, '730-hours' as const),
  }),
)

interface Case {
  readonly book: PriceBook
  readonly machine: Machine
  readonly week: ReturnType<typeof weekOf>
  readonly month: YearMonth
  readonly reading: 'calendar' | '730-hours'
}

function priced({ book, machine, week, month, reading }: Case): PricedMachine {
  const plan = { machines: [machine], weeks: [week] }
  const result = new PlanPricing({ plan, books: [book], month, reading }).of(machine)
  if (!result.ok) throw new Error(JSON.stringify(result.issues))
  return result
}

describe('whatever the book, the machine, the week and the month', () => {
  test('nothing is negative, and lines, days and both parts of a month that is cut anywhere sum to the total', () => {
    fc.assert(
      fc.property(anyCase, fc.double({ min: 0, max: 1, noNaN: true }), (each, where) => {
        const { estimate } = priced(each)
        const { total, charges } = estimate
        const span = billingMonth(each.month, each.book.billingZone)
        const cut = instant(Math.floor(span.from + where * (span.to - span.from)))
        let lines = ZERO
        let parts = ZERO
        for (const charge of charges) {
          expect(charge.amount.n).toBeGreaterThanOrEqual(0n)
          lines = add(lines, charge.amount)
          for (const piece of charge.pieces.list) {
            const before = ticksWithin(piece, { from: span.from, to: cut })
            const after = ticksWithin(piece, { from: cut, to: span.to })
            expect(before + after).toBe(piece.ticks)
            parts = add(parts, add(amountOf(charge, before), amountOf(charge, after)))
          }
        }
        const days = dailyCosts(estimate, each.week.timeZone)
        const byDay = days.reduce((sum, day) => add(sum, add(day.machineTime, day.floor)), ZERO)
        expect([compare(lines, total), compare(parts, total), compare(byDay, total)]).toEqual([0, 0, 0])
      }),
      randomRuns(150),
    )
  })

  test('a week of 168 hours costs what never switching off costs', () => {
    const whole = { ...weekOf('Europe/Lisbon', windowsOn(EVERY_DAY, '00:00-00:00')), id: 'one' }
    fc.assert(
      fc.property(anyCase, (each) => {
        const { estimate } = priced({ ...each, week: whole })
        const never = priced({ ...each, machine: withOffPlan(each.machine, { off: 'running' }) })
        // Made anew at the start of the month, it is brought back once; nothing else tells the two apart.
        const restored = estimate.charges.filter(({ meter }) => meter === 'restore')
        expect(restored).toEqual([])
        expect(compare(estimate.total, never.estimate.total)).toBe(0)
      }),
      randomRuns(60),
    )
  })

  test('more hours never cost less, unless a rule says so', () => {
    const excused = new Map<string, number>()
    fc.assert(
      fc.property(anyCase, fc.integer({ min: 1, max: 300 }), (any, longer) => {
        // A shorter gap can have another state, and that one cost less.
        const each = { ...any, machine: withOffPlan(any.machine, { off: any.machine.off }) }
        const more = {
          ...each.week,
          windows: each.week.windows.map((window) => ({
            ...window,
            to: Math.min(window.to + longer, window.from + 1_440),
          })),
        }
        const less = priced(each)
        const result = priced({ ...each, week: more })
        if (compare(result.estimate.total, less.estimate.total) >= 0) return
        const rules = cheaperWhenOn(less, result)
        expect(rules).not.toEqual([])
        for (const rule of rules) excused.set(rule, (excused.get(rule) ?? 0) + 1)
      }),
      randomRuns(250),
    )
    // The property would say nothing if the rules that excuse it never came up.
    expect([...excused.keys()].length).toBeGreaterThan(0)
  })
})

/** The rules by which being on longer can cost less, of those that took part: each meter that fell names its own. */
function cheaperWhenOn(less: PricedMachine, more: PricedMachine): string[] {
  const sum = ({ estimate }: PricedMachine, meter: string) =>
    estimate.charges.reduce(
      (total, charge) => (charge.meter === meter ? add(total, charge.amount) : total),
      ZERO,
    )
  const fell = (meter: string): boolean => compare(sum(more, meter), sum(less, meter)) < 0
  const { metered } = less.estimate
  return [
    fell('address') && 'an address costs more while it is not in use',
    fell('memory-image') && 'memory kept on disk is charged while off',
    fell('restore') && 'every start from a snapshot is charged',
    (fell('compute') || fell('licence')) &&
      (metered.compute.time.added > 0 || metered.licence.time.added > 0 || less.estimate.starts > 0) &&
      'runs that grow together save rounding and the time of changes',
  ].filter((rule) => rule !== false)
}
