import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { Habits } from '../calendar/habits.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { add, compare, divide, exact, multiply, subtract, type Exact } from '../quantity/exact.ts'
import { resolved } from '../testing/resolved.ts'
import { simpleMeter } from '../testing/simpleMeter.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { expectedMonth, type ExpectedMonth } from './expectedMonth.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
const week: WeekPlan = {
  ...weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00')),
  autoShutdown: { minute: 22 * 60, days: EVERY_DAY },
}
const NONE: Habits = { spreadMinutes: 0, forgottenPercent: 0 }

const month = (habits: Partial<Habits>, of: WeekPlan = week): ExpectedMonth =>
  expectedMonth(resolved({ off: 'deallocated' }, of), MARCH, { ...NONE, ...habits })!

/** What a plain walk through the month says of other windows on workdays. */
function walked(...ranges: string[]): Exact {
  const other = weekOf('Etc/UTC', windowsOn(WORKDAYS, ...ranges))
  const { machine } = resolved({ off: 'deallocated' }, other)
  const totals = simpleMeter({
    machines: [machine],
    weeks: [other],
    book: SMALL_BOOK,
    month: MARCH,
    reading: 'calendar',
  })
  return totals.get(machine.name)!
}

const share = (low: Exact, high: Exact, percent: number): Exact =>
  add(low, multiply(divide(exact(percent), exact(100)), subtract(high, low)))

const expectSame = (found: ExpectedMonth, low: Exact, expected: Exact, high: Exact): void => {
  expect([compare(found.low, low), compare(found.expected, expected), compare(found.high, high)]).toEqual([
    0, 0, 0,
  ])
}

describe('a month that people switch by hand', () => {
  test('without any habit is the plan', () => {
    const plan = walked('08:00-18:00')
    expectSame(month({}), plan, plan, plan)
  })

  test('nobody forgets a night before there is a machine, or after it', () => {
    const always = { ...NONE, forgottenPercent: 100 }
    const office = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00'))
    const oneDay = { off: 'deallocated', firstDay: '2027-03-10', lastDay: '2027-03-10' } as const
    const hours = { ...SMALL_BOOK, billing: { ...SMALL_BOOK.billing, minimumSeconds: 0 } }
    const free = { ...hours.states.deallocated!, leave: { seconds: 0 }, return: { seconds: 0 } }
    const book = { ...hours, states: { ...hours.states, deallocated: free } }
    const cost = (of: WeekPlan): Exact => {
      const plan = resolved(oneDay, of, book)
      return expectedMonth(plan, MARCH, of === office ? always : NONE)!.expected
    }
    // From 8 on and left on until midnight, when it is deleted: 16 h, as a week that says so.
    const untilMidnight = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-24:00'))
    expect(compare(cost(office), cost(untilMidnight))).toBe(0)
  })

  test('starts within half an hour of its time, and is expected on time', () => {
    expectSame(
      month({ spreadMinutes: 30 }),
      walked('08:30-18:00'),
      walked('08:00-18:00'),
      walked('07:30-18:00'),
    )
  })

  test('one of five stops forgotten, until the auto-shutdown', () => {
    const [plan, always] = [walked('08:00-18:00'), walked('08:00-22:00')]
    expectSame(month({ forgottenPercent: 20 }), plan, share(plan, always, 20), always)
  })

  test('forgotten without an auto-shutdown it runs until it is next wanted', () => {
    const { autoShutdown, ...bare } = week
    const found = month({ forgottenPercent: 100 }, bare)
    expect(compare(found.expected, found.high)).toBe(0)
    const running = resolved({ off: 'running' })
    const always = simpleMeter({
      machines: [running.machine],
      weeks: [week],
      book: SMALL_BOOK,
      month: MARCH,
      reading: 'calendar',
    }).get(running.machine.name)!
    // The stop before the month is forgotten too.
    expect(compare(found.high, always)).toBe(0)
    expect(compare(found.high, walked('08:00-22:00'))).toBe(1)
  })

  test('an idle rule takes what is unused beyond its wait, and ends what is forgotten', () => {
    const idle = { afterMinutes: 30, unusedMinutes: 90 }
    const usual = walked('08:00-12:30', '13:30-18:00')
    const always = walked('08:00-12:30', '13:30-18:30')
    expectSame(month({ forgottenPercent: 50, idle }), usual, share(usual, always, 50), always)
    const short = { afterMinutes: 90, unusedMinutes: 60 }
    expect(compare(month({ idle: short }).expected, walked('08:00-18:00'))).toBe(0)
  })

  test('early and late starts move what is unused with them', () => {
    const idle = { afterMinutes: 30, unusedMinutes: 90 }
    const found = month({ spreadMinutes: 60, idle })
    expectSame(
      found,
      walked('09:00-13:00', '14:00-18:00'),
      walked('08:00-12:30', '13:30-18:00'),
      walked('07:00-12:00', '13:00-18:00'),
    )
  })

  test('a machine that is never off is switched by nobody', () => {
    expect(expectedMonth(resolved({ off: 'running' }, week), MARCH, NONE)).toBeUndefined()
  })
})
