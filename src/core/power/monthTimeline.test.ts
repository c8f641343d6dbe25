import fc from 'fast-check'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { Weekday } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { seconds } from '../quantity/units.ts'
import { anyWeekIn } from '../testing/anyWeeks.ts'
import { weekOf } from '../testing/weeks.ts'
import { monthTimeline, spansAround, timelineOf } from './monthTimeline.ts'
import { clipSegments, type WaysOff } from './timeline.ts'

const DAY = 86_400

/** Going off takes up to hours, so that windows are missed and one depends on those before it. */
const anyWays: fc.Arbitrary<WaysOff> = fc
  .record({
    leave: fc.integer({ min: 0, max: 40 }),
    back: fc.integer({ min: 0, max: 20 }),
    isCharged: fc.boolean(),
    long: fc.option(fc.integer({ min: 1, max: 72 })),
  })
  .map(({ leave, back, isCharged, long }): WaysOff => {
    const changes = { leave: seconds(leave * 900), return: seconds(back * 900) }
    const short = { from: seconds(0), off: 'stopped' as const, changes, isCharged }
    return long === null
      ? [short]
      : [short, { from: seconds(long * 3_600), off: 'deallocated' as const, changes, isCharged: false }]
  })

/** Short windows close to each other, so that going off takes longer than a gap: which are missed depends on the first. */
const denseWeek: fc.Arbitrary<WeekPlan> = fc
  .record({
    period: fc.integer({ min: 4, max: 16 }),
    share: fc.integer({ min: 1, max: 3 }),
    days: fc.subarray([0, 1, 2, 3, 4, 5, 6] as Weekday[], { minLength: 2, maxLength: 6 }),
  })
  .map(({ period, share, days }) => ({
    ...weekOf('Etc/UTC', []),
    windows: days.flatMap((day) =>
      Array.from({ length: Math.floor(96 / period) }, (_, i) => {
        const from = i * period * 15
        return { day, from, to: from + Math.max(15, Math.floor((period * share) / 4) * 15) }
      }),
    ),
  }))

test('however far it looks back, a month is what it is when all of the past is looked at', () => {
  fc.assert(
    fc.property(
      fc.oneof(anyWeekIn(2027), denseWeek),
      anyWays,
      fc.integer({ min: 1, max: 12 }),
      (week, ways, number) => {
        const month = billingMonth(`2027-${String(number).padStart(2, '0')}` as YearMonth, 'Etc/UTC')
        const reach = { back: 200 * DAY, ahead: 4 * DAY }
        const whole = timelineOf(spansAround(week, month, reach), ways, month)
        const found = monthTimeline(week, ways, month)
        expect(clipSegments(found.segments, month)).toEqual(clipSegments(whole.segments, month))
      },
    ),
    { seed: 700, numRuns: 300 },
  )
})
