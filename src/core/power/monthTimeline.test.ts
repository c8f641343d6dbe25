import fc from 'fast-check'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import { parseDate, type Weekday } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { seconds } from '../quantity/units.ts'
import { anyWeekIn } from '../testing/anyWeeks.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { monthTimeline, spansAround, timelineOf } from './monthTimeline.ts'
import { clipSegments, type WaysOff } from './timeline.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const DAY = 86_400
const CHARGED = ['compute', 'licence', 'flat'] as const

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
    const short = { from: seconds(0), off: 'stopped' as const, changes, charged: isCharged ? CHARGED : [] }
    return long === null
      ? [short]
      : [short, { from: seconds(long * 3_600), off: 'deallocated' as const, changes, charged: [] }]
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
    randomRuns(300),
  )
})

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
const changes = { leave: seconds(30), return: seconds(60) }
const way = (off: 'stopped' | 'deallocated', isCharged: boolean, hours = 0) => ({
  from: seconds(hours * 3_600),
  off,
  changes,
  charged: isCharged ? CHARGED : [],
})
const DAILY = weekOf('Etc/UTC', windowsOn(EVERY_DAY, '08:00-18:00'))
const WORKWEEK = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00'))
const daysBefore = (at: number): number => (MARCH.from - at) / DAY

test.each<[string, WeekPlan, WaysOff, number, string]>([
  [
    'off each night: from the evening before two days before',
    DAILY,
    [way('stopped', false)],
    2 + 6 / 24,
    'stopped',
  ],
  [
    'charged at night: from the weekend before',
    WORKWEEK,
    [way('stopped', true), way('deallocated', false, 24)],
    // 1 March is a Monday; what is kept begins on Saturday, in the gap that began on Friday at six.
    2 + 6 / 24,
    'deallocated',
  ],
])('a month is known from its last time off and uncharged: %s', (_, week, ways, days, phase) => {
  const { segments } = monthTimeline(week, ways, MARCH)
  expect(segments[0]!.phase).toBe(phase)
  // Going off takes half a minute.
  expect(daysBefore(segments[0]!.from)).toBeCloseTo(days, 2)
  expect(segments[1]!.from).toBeGreaterThan(MARCH.from - 2 * DAY)
})

test('a run that is never uncharged is followed as far back as any is', () => {
  const { segments } = monthTimeline(DAILY, [way('stopped', true), way('deallocated', false, 72)], MARCH)
  expect(daysBefore(segments[0]!.from)).toBeGreaterThan(399)
})

test('where every state is charged, when the run began says nothing, and is not looked for', () => {
  const { segments } = monthTimeline(DAILY, [way('stopped', true)], MARCH)
  expect(daysBefore(segments[0]!.from)).toBeLessThan(5)
})

test('a run through charged nights that began weeks before is known from its beginning', () => {
  // Off and uncharged for the first two days of February alone.
  const exceptions = [{ from: parseDate('2027-02-01')!, to: parseDate('2027-02-03')!, does: 'off' as const }]
  const week = { ...DAILY, exceptions }
  const { segments } = monthTimeline(week, [way('stopped', true), way('deallocated', false, 48)], MARCH)
  expect(segments[0]!.phase).toBe('deallocated')
  // From six in the evening of 31 January.
  expect(daysBefore(segments[0]!.from)).toBeCloseTo(28 + 6 / 24, 2)
})

test('the same question is answered once, another month or way anew', () => {
  const week = { ...DAILY }
  const ways: WaysOff = [way('stopped', false)]
  const known = monthTimeline(week, ways, MARCH)
  expect(monthTimeline(week, [way('stopped', false)], MARCH)).toBe(known)
  expect(monthTimeline(week, [way('stopped', true)], MARCH)).not.toBe(known)
  expect(monthTimeline(week, [{ ...way('stopped', false), changes: { ...changes, leave: seconds(31) } }], MARCH)).not.toBe(known) // prettier-ignore
  expect(monthTimeline(week, ways, billingMonth('2027-04' as YearMonth, 'Etc/UTC'))).not.toBe(known)
})

test('which state a long gap has can hang on a window that was missed in the week before', () => {
  // Back after 15 min, when both windows are over: it goes off as after the first, for a minute, and stays so for a week.
  const week = {
    ...weekOf('Etc/UTC', []),
    windows: [1, 3].map((from) => ({ day: 0 as Weekday, from, to: from + 1 })),
  }
  const slow = { leave: seconds(0), return: seconds(900) }
  const ways: WaysOff = [
    { from: seconds(0), off: 'stopped', changes: slow, charged: [] },
    { from: seconds(3_600), off: 'deallocated', changes: slow, charged: [] },
  ]
  // It begins on a Monday.
  const november = billingMonth('2027-11' as YearMonth, 'Etc/UTC')
  expect(clipSegments(monthTimeline(week, ways, november).segments, november)[0]).toMatchObject({
    phase: 'stopped',
  })
})
