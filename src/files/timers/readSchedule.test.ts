import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dayNumber, dayOf, parseDate } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { weekSpans } from '../../core/calendar/weekSpans.ts'
import { instant } from '../../core/quantity/units.ts'
import { anyWeekIn } from '../../core/testing/anyWeeks.ts'
import { weekOf, windowsOn, WORKDAYS } from '../../core/testing/weeks.ts'
import { timerPlan } from '../../core/timers/timerPlan.ts'
import { transitionsOf } from '../../core/timers/transitions.ts'
import { readSchedule } from './readSchedule.ts'
import { switchId } from './ruleId.ts'
import { scheduleCalendar } from './scheduleCalendar.ts'

const MADE = instant(1_800_000_000)
const written = (week: WeekPlan, from: number, to: number, options = {}): string => {
  const plan = timerPlan(week, dayNumber(from), dayNumber(to), 'times', options)
  return scheduleCalendar(plan, { id: 'x', title: week.name, says: switchId }, MADE)
}

describe('a schedule that was exported is a week again', () => {
  test('windows, holidays and a release week', () => {
    const day = (text: string) => parseDate(text)!
    const week: WeekPlan = {
      ...weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-12:00', '13:00-18:00'), ['2027-03-19']),
      name: 'Depot day; lunch, too',
    }
    const through = { from: day('2027-04-06'), to: day('2027-04-07'), does: 'on' as const }
    const all = { ...week, exceptions: [...week.exceptions, through] }
    const read = readSchedule(written(all, day('2027-03-01'), day('2027-12-31')))
    if (!read.ok) throw new Error(read.issues[0].problem)
    expect(read.value.name).toBe('Depot day; lunch, too')
    expect(read.value.timeZone).toBe('Europe/Lisbon')
    expect([...read.value.windows].sort((a, b) => a.day - b.day || a.from - b.from)).toEqual(
      [...week.windows].sort((a, b) => a.day - b.day || a.from - b.from),
    )
    expect(read.value.exceptions.filter(({ does }) => does === 'off')).toEqual(week.exceptions)
    expect(read.value.exceptions.filter(({ does }) => does === 'on').map(({ from }) => from)).toEqual([
      day('2027-04-06'), day('2027-04-07'),
    ]) // prettier-ignore
  })

  test('nights, long weekends and a safety net', () => {
    const windows = [...windowsOn([0, 1, 2, 3], '22:00-06:00'), { day: 4 as const, from: 1_320, to: 2_760 }, { day: 5 as const, from: 1_320, to: 2_000 }] // prettier-ignore
    const week: WeekPlan = {
      ...weekOf('Australia/Lord_Howe', windows),
      autoShutdown: { minute: 700, days: [0, 1, 2, 3] },
    }
    const [from, to] = [dayOf(2027, 1, 1), dayOf(2027, 12, 31)]
    const read = readSchedule(written(week, from, to, { safetyNet: true }))
    if (!read.ok) throw new Error(read.issues[0].problem)
    const within = { from: instant(1_800_000_000), to: instant(1_815_000_000) }
    expect(weekSpans({ ...week, ...read.value }, within)).toEqual(weekSpans(week, within))
  })

  test('any week: the same spans between its first and its last switch, or refused with a date', () => {
    let taken = 0
    fc.assert(
      fc.property(anyWeekIn(2027), fc.integer({ min: 60, max: 400 }), (week, days) => {
        const from = dayOf(2027, 1, 10)
        const switches = transitionsOf(week, timerPlan(week, from, dayNumber(from + days), 'times').within)
        fc.pre(switches.length > 1)
        const read = readSchedule(written(week, from, from + days))
        if (!read.ok) {
          expect(read.issues[0].problem).toMatch(/^On \d{4}-\d\d-\d\d the file switches/)
          return
        }
        taken += 1
        const within = { from: switches[0]!.at, to: switches.at(-1)!.at }
        const inside = (of: WeekPlan): number[][] =>
          weekSpans(of, within).map((span) => [
            Math.max(span.from, within.from),
            Math.min(span.to, within.to),
          ])
        const { timeZone, windows, exceptions } = read.value
        expect(inside({ id: 'a', name: 'a', timeZone, windows, exceptions })).toEqual(inside(week))
      }),
      { seed: 27, numRuns: 60 },
    )
    expect(taken).toBeGreaterThan(30)
  })
})

test.each([
  ['nothing', '', /not a schedule/],
  ['another calendar', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20270101T080000Z\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n', /not a schedule/],
  ['an unknown zone', written(weekOf('Europe/Lisbon', windowsOn([0], '08:00-18:00')), 20_900, 20_950).replaceAll('Europe/Lisbon', 'Depot/Yard'), /“Depot\/Yard” is not known/],
  ['one that never ends', written(weekOf('Europe/Lisbon', windowsOn([0], '08:00-18:00')), 20_900, 20_950).replaceAll(/;UNTIL=\w+/g, ''), /goes on for too long/],
])('%s is refused with what is wrong', (_, text, problem) => {
  const read = readSchedule(text)
  expect(read.ok).toBe(false)
  if (!read.ok) expect(read.issues[0].problem).toMatch(problem)
}) // prettier-ignore

test('a name is one short line, whatever the file says', () => {
  const named = {
    ...weekOf('Europe/Lisbon', windowsOn([0], '08:00-18:00')),
    name: `Depot\n${'long '.repeat(30)}`,
  }
  const read = readSchedule(written(named, 20_900, 20_950))
  expect(read.ok && read.value.name).toMatch(/^Depot (long ?)+$/)
  expect(read.ok && read.value.name.length).toBeLessThanOrEqual(50)
})

test('more windows a day than a plan may hold are refused', () => {
  const many = Array.from({ length: 60 }, (_, i) => ({ day: 0 as const, from: i * 20, to: i * 20 + 10 }))
  const read = readSchedule(written(weekOf('Europe/Lisbon', many), 20_900, 20_950))
  expect(!read.ok && read.issues[0].problem).toBe('A day has too many windows.')
})
