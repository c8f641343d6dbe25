import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import { parseDate, type Weekday } from '../calendar/civil.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { LONGEST_GAP_DAYS, offIn, withOffPlan, type OffPlan } from '../off/offPlan.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { add, compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { anyMachineOf, anyRulesOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { bestOffPlan } from './bestOffPlan.ts'
import { distinctGaps, gapsByShutdown } from './distinctGaps.ts'
import { gapAdvice, planFor, willDo } from './gapAdvice.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
const HOUR = 3_600

describe('the distinct gaps of a month', () => {
  test('nights and weekends, and those that clock changes and a holiday make', () => {
    const week = weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00'), ['2027-03-17'])
    expect(distinctGaps(week, MARCH).map(({ length, count }) => [length / HOUR, count])).toEqual([
      [14, 17], [38, 1], [61, 1], [62, 4],
    ]) // prettier-ignore
  })

  test('the lengths between two gaps are shared between them', () => {
    const gaps = distinctGaps(OFFICE_WEEK, MARCH)
    expect(gaps.map(({ fromMinutes, toMinutes }) => [fromMinutes / 60, toMinutes / 60])).toEqual([
      [0, 37], [37, 62], [62, Infinity],
    ]) // prettier-ignore
  })

  test('what lasts longer than a plan can tell apart is one length, and can be written down', () => {
    const day = (text: string) => parseDate(text)!
    const away = { from: day('2027-03-10'), to: day('2027-04-15'), does: 'off' as const }
    const week = { ...weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00')), exceptions: [away] }
    const gaps = distinctGaps(week, MARCH)
    expect(gaps.at(-1)!.length).toBe(LONGEST_GAP_DAYS * 24 * HOUR)
    const changed = gaps.reduce((plan, gap, i) => planFor(plan, gap, i % 2 ? 'stopped' : 'hibernated'), {
      off: 'running',
    } as OffPlan)
    const most = LONGEST_GAP_DAYS * 24 * 60
    expect(changed.longGaps!.every(({ fromMinutes }) => fromMinutes > 0 && fromMinutes <= most)).toBe(true)
  })

  test('a week without hours, or always on, has none', () => {
    expect(distinctGaps({ ...OFFICE_WEEK, windows: [] }, MARCH)).toEqual([])
    expect(distinctGaps(weekOf('Etc/UTC', windowsOn([0, 1, 2, 3, 4, 5, 6], '00:00-00:00')), MARCH)).toEqual(
      [],
    )
  })
})

describe('advice for an office week', () => {
  const machine = resolved({ off: 'stopped' })
  const advice = gapAdvice(machine, MARCH)

  test('names every state that the provider has, cheapest first, and the best', () => {
    for (const { ways, best, present } of advice) {
      expect(ways.map(({ off }) => off).sort()).toEqual(
        POWER_STATES.filter((off) => SMALL_BOOK.states[off]).sort(),
      )
      ways.slice(1).forEach((way, i) => expect(compare(way.total, ways[i]!.total)).toBeGreaterThanOrEqual(0))
      expect(best).toBe(ways.find(({ reasons }) => reasons.length === 0))
      expect(present).toBe('stopped')
    }
  })

  test('what a way is worth each time is what the month has less by one gap', () => {
    // Four whole nights of February, and on all the time but for them.
    const days = [0, 1, 4, 5, 6] as const
    const windows = [
      ...windowsOn(days, '00:00-00:00'),
      ...windowsOn([2], '00:00-20:00'),
      ...windowsOn([3], '06:00-24:00'),
    ]
    const february = billingMonth('2027-02' as YearMonth, 'Etc/UTC')
    const [night, ...others] = gapAdvice(resolved({ off: 'stopped' }, weekOf('Etc/UTC', windows)), february)
    const { ways, count } = night!
    expect([others, count, night!.length / HOUR]).toEqual([[], 4, 10])
    const running = ways.find(({ off }) => off === 'running')!
    for (const way of ways) {
      let byGap = ZERO
      for (let i = 0; i < count; i += 1) byGap = add(byGap, subtract(way.eachTime, running.eachTime))
      expect(compare(byGap, subtract(way.total, running.total))).toBe(0)
    }
  })

  test('a way that the needs forbid is shown with its reason, and not advised', () => {
    const needs = { ...machine.machine.needs, keeps: ['memory' as const] }
    const [night] = gapAdvice(resolved({ off: 'stopped', needs }), MARCH)
    const closed = night!.ways.filter(({ reasons }) => reasons.length > 0).map(({ off }) => off)
    expect(closed).toEqual(['deallocated', 'stopped'])
    expect(['hibernated', 'running']).toContain(night!.best?.off)
  })

  test('a hibernation that the provider may end is not advised', () => {
    const book: PriceBook = {
      ...SMALL_BOOK,
      hibernation: { ...SMALL_BOOK.hibernation!, longestStayHours: 24 },
    }
    const found = gapAdvice(resolved({ off: 'stopped' }, OFFICE_WEEK, book), MARCH)
    const ends = found.map(({ ways }) => ways.find(({ off }) => off === 'hibernated')?.mayEnd)
    expect(ends).toEqual([false, true, true])
    expect(willDo(resolved({}, OFFICE_WEEK, book), found[1]!, 'hibernated')).toBe(false)
  })
})

describe('an auto-shutdown with a state of its own', () => {
  const shutdown = (days: readonly Weekday[]) => ({
    ...OFFICE_WEEK,
    autoShutdown: { minute: 18 * 60, days, off: 'stopped' as const },
  })

  test('leaves advice for the gaps that it does not begin', () => {
    const nights = gapAdvice(resolved({ off: 'deallocated' }, shutdown([4])), MARCH)
    expect(nights.map(({ length }) => length / HOUR)).toEqual([14])
    // One of them began in February.
    expect(gapsByShutdown(resolved({ off: 'deallocated' }, shutdown([4])), MARCH)).toBe(5)
    expect(gapsByShutdown(resolved({ off: 'running' }, shutdown([4])), MARCH)).toBe(0)
    expect(gapAdvice(resolved({ off: 'deallocated' }, shutdown(EVERY_DAY)), MARCH)).toEqual([])
  })

  test('changes nothing where the provider does not have the state', () => {
    const { stopped: _, ...states } = SMALL_BOOK.states
    const without = { ...SMALL_BOOK, states }
    const [own, other] = [OFFICE_WEEK, shutdown(EVERY_DAY)].map((week) =>
      gapAdvice(resolved({ off: 'deallocated' }, week, without), MARCH),
    )
    expect(own!.length).toBeGreaterThan(1)
    expect(other).toEqual(own)
  })
})

/** What a machine costs that is off in this way, priced as a plan is. */
function priced(
  book: PriceBook,
  machine: Machine,
  week: ReturnType<typeof weekOf>,
  month: YearMonth,
  plan: OffPlan,
): Exact {
  const changed = withOffPlan(machine, plan)
  const pricing = new PlanPricing({
    plan: { machines: [changed], weeks: [week] },
    books: [book],
    month,
    reading: 'calendar',
  })
  const result = pricing.of(changed)
  if (!result.ok) throw new Error(JSON.stringify(result.issues))
  return result.estimate.total
}

const anyCaseOf = (pattern: PriceBook) =>
  fc.record({
    book: anyRulesOf(pattern).map((book) => ({ ...book, valid: { from: '2027-01-01' } })),
    machine: anyMachineOf(pattern, ['one']),
    week: anyWeek('one'),
    month: fc.integer({ min: 0, max: 11 }).map((count) => addMonths('2027-01' as YearMonth, count)!),
  })

test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
  'on any book like %s, every way costs what the whole plan costs with it',
  (_, pattern) => {
    let asked = 0
    fc.assert(
      fc.property(anyCaseOf(pattern), ({ book, machine, week, month }) => {
        const pricing = new PlanPricing({
          plan: { machines: [machine], weeks: [week] },
          books: [book],
          month,
          reading: 'calendar',
        })
        const result = pricing.of(machine)
        if (!result.ok) throw new Error(JSON.stringify(result.issues))
        const { resolved: own, account } = result
        const present = result.estimate.total
        const advice = gapAdvice(own, result.month, account.planned)
        for (const gap of advice) {
          asked += 1
          let least: Exact | undefined
          for (const { off, total, reasons, mayEnd } of gap.ways) {
            expect(compare(total, priced(book, machine, week, month, planFor(machine, gap, off)))).toBe(0)
            if (reasons.length === 0 && !mayEnd && (!least || compare(total, least) < 0)) least = total
          }
          expect(gap.best?.total).toEqual(least)
          expect(gap.present).toBe(offIn(machine, gap.length))
        }
        const all = bestOffPlan(own, result.month, account.planned)!
        expect(compare(all.total, priced(book, machine, week, month, all.plan))).toBe(0)
        expect(compare(all.total, present)).toBeLessThanOrEqual(0)
        // Nothing that one more gap could save is left.
        for (const gap of advice) {
          const ways = POWER_STATES.filter((off) => book.states[off] && willDo(own, gap, off))
          for (const off of ways) {
            const other = priced(book, machine, week, month, planFor(all.plan, gap, off))
            expect(compare(other, all.total)).toBeGreaterThanOrEqual(0)
          }
        }
      }),
      randomRuns(12),
    )
    expect(asked).toBeGreaterThan(0)
  },
)
