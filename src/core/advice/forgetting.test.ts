import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import { parseDate, type Weekday } from '../calendar/civil.ts'
import type { WeekException } from '../calendar/weekException.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { OffState } from '../off/powerState.ts'
import { compare, subtract, type Exact } from '../quantity/exact.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { simpleMeter } from '../testing/simpleMeter.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { weekOf, windowsOn } from '../testing/weeks.ts'
import { forgetting } from './forgetting.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
const utc = (at: number): string => new Date(at * 1000).toISOString().slice(0, 16)

/** Every date of March is off but for two days. */
const exceptBut = (first: string, last: string): WeekException[] => {
  const day = (text: string) => parseDate(text)!
  const before = (text: string) => (day(text) - 1) as WeekException['to']
  const after = (text: string) => (day(text) + 1) as WeekException['from']
  return [
    { from: day('2027-02-01'), to: before(first), does: 'off' },
    { from: after(last), to: day('2027-04-20'), does: 'off' },
  ]
}

/** What a plain walk through the minutes of the month says of a week. */
const walked = (week: WeekPlan, off: OffState): Exact => {
  const machine = resolved({ off }, week).machine
  const totals = simpleMeter({
    machines: [machine],
    weeks: [week],
    book: SMALL_BOOK,
    month: MARCH,
    reading: 'calendar',
  })
  return totals.get(machine.name)!
}

describe('what forgetting costs', () => {
  test.each(['deallocated', 'hibernated', 'stopped'] as const)(
    'a night, when %s: as the walk says',
    (off) => {
      const exceptions = exceptBut('2027-03-08', '2027-03-09')
      const days: Weekday[] = [0, 1]
      const week = { ...weekOf('Etc/UTC', windowsOn(days, '08:00-18:00')), exceptions }
      const left = {
        ...weekOf('Etc/UTC', [...windowsOn([0], '08:00-08:00'), ...windowsOn([1], '08:00-18:00')]),
        exceptions,
      }
      const [night, rest] = forgetting(resolved({ off }, week), MARCH)
      expect(night).toMatchObject({ what: 'night' })
      expect([utc(night!.from), utc(night!.to)]).toEqual(['2027-03-08T18:00', '2027-03-09T08:00'])
      expect(compare(night!.cost, subtract(walked(left, off), walked(week, off)))).toBe(0)
      expect([rest?.what, utc(rest!.from), utc(rest!.to)]).toEqual([
        'rest-of-month',
        '2027-03-08T18:00',
        '2027-04-01T00:00',
      ])
      expect(compare(rest!.cost, night!.cost)).toBeGreaterThan(off === 'stopped' ? -1 : 0)
    },
  )

  test('an office week has a night, a weekend and the rest of the month', () => {
    const costs = forgetting(resolved({ off: 'deallocated' }), MARCH)
    expect(costs.map(({ what, from, to }) => [what, utc(from), utc(to)])).toEqual([
      ['night', '2027-03-01T18:00', '2027-03-02T08:00'],
      ['weekend', '2027-03-05T18:00', '2027-03-08T08:00'],
      ['rest-of-month', '2027-03-01T18:00', '2027-04-01T00:00'],
    ])
    expect(compare(costs[1]!.cost, costs[0]!.cost)).toBe(1)
    expect(compare(costs[2]!.cost, costs[1]!.cost)).toBe(1)
  })

  test('an auto-shutdown bounds it: no more than the hours until then', () => {
    const week: WeekPlan = { ...OFFICE_WEEK, autoShutdown: { minute: 20 * 60, days: [0, 1, 2, 3, 4, 5, 6] } }
    const without = forgetting(resolved({ off: 'deallocated' }), MARCH)
    const bounded = forgetting(resolved({ off: 'deallocated' }, week), MARCH)
    expect(bounded.map(({ bounded: by }) => by && utc(by.to))).toEqual([
      '2027-03-01T20:00', '2027-03-05T20:00', '2027-03-01T20:00',
    ]) // prettier-ignore
    // Two hours of night cost as much as two hours of weekend, and the unbounded cost is as before.
    expect(compare(bounded[0]!.bounded!.cost, bounded[1]!.bounded!.cost)).toBe(0)
    bounded.forEach(({ cost, bounded: by }, i) => {
      expect(compare(cost, without[i]!.cost)).toBe(0)
      expect(compare(by!.cost, cost)).toBe(-1)
    })
  })

  test('what the auto-shutdown itself ends is not forgotten', () => {
    const week: WeekPlan = { ...OFFICE_WEEK, autoShutdown: { minute: 17 * 60, days: [0, 1, 2, 3, 4, 5, 6] } }
    const [night] = forgetting(resolved({ off: 'deallocated' }, week), MARCH)
    expect([utc(night!.from), utc(night!.bounded!.to), night!.bounded!.cost.n]).toEqual([
      '2027-03-01T17:00', '2027-03-01T17:00', 0n,
    ]) // prettier-ignore
  })

  test('a machine that is never off, or has no week, forgets nothing', () => {
    expect(forgetting(resolved({ off: 'running' }), MARCH)).toEqual([])
    expect(forgetting(resolved({ off: 'deallocated' }, { ...OFFICE_WEEK, windows: [] }), MARCH)).toEqual([])
  })
})
