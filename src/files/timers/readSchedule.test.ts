import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dayNumber, dayOf, parseDate, type Weekday } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { weekSpans } from '../../core/calendar/weekSpans.ts'
import { instant, type Span } from '../../core/quantity/units.ts'
import { anyWeekIn } from '../../core/testing/anyWeeks.ts'
import { weekOf, windowsOn, WORKDAYS } from '../../core/testing/weeks.ts'
import { timerPlan } from '../../core/timers/timerPlan.ts'
import { transitionsOf } from '../../core/timers/transitions.ts'
import { parseWeek } from '../plan/planFile.ts'
import { toWeekFile } from '../plan/planDocument.ts'
import { readSchedule } from './readSchedule.ts'
import { exportSchedule } from './exportSchedule.ts'
import { switchId } from './ruleId.ts'
import { scheduleCalendar } from './scheduleCalendar.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

const MADE = instant(1_800_000_000)
const written = (week: WeekPlan, from: number, to: number, options = {}): string => {
  const plan = timerPlan(week, dayNumber(from), dayNumber(to), 'times', options)
  return scheduleCalendar(plan, { id: 'x', title: week.name, says: switchId, week }, MADE)
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
    expect(read.value.exceptions.filter(({ does }) => does === 'on')).toEqual([through])
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

  /** What another program may leave of a calendar: events alone. */
  const withoutWeek = (text: string): string =>
    text.replace(/\r\n /g, '').replace(/^X-NOTCHGAUGE-WEEK:.*\r\n/m, '')

  const bare = ({ id: _, ...week }: WeekPlan) => week
  const sameSpans = (a: Omit<WeekPlan, 'id'>, week: WeekPlan, within: Span): void => {
    const inside = (of: WeekPlan): number[][] =>
      weekSpans(of, within).map((span) => [Math.max(span.from, within.from), Math.min(span.to, within.to)])
    const { windows, exceptions, timeZone, ...rest } = a
    expect(inside({ id: 'a', windows, exceptions, timeZone, ...rest })).toEqual(inside(week))
  }

  test('any week: as it was, with its auto-shutdown, early starts and exceptions', () => {
    fc.assert(
      fc.property(anyWeekIn(2027), fc.integer({ min: 7, max: 400 }), fc.boolean(), (week, days, net) => {
        const from = dayOf(2027, 1, 10)
        const text = written(week, from, from + days, { safetyNet: net })
        fc.pre(text.includes('BEGIN:VEVENT'))
        const read = readSchedule(text)
        if (!read.ok) throw new Error(read.issues[0].problem)
        const { from: _, to: __, ...taken } = read.value
        const filed = parseWeek(toWeekFile(week))
        if (!filed.ok) throw new Error('not a week')
        expect(taken).toEqual(bare(filed.value))
      }),
      randomRuns(60),
    )
  })

  const someMeet = ({ windows }: WeekPlan): boolean =>
    windows.some((a, i) =>
      windows.some((b, j) => {
        const [x, y] = [a, b].map(({ day, from, to }) => [day * 1_440 + from, day * 1_440 + to] as const)
        return i !== j && [-10_080, 0, 10_080].some((w) => x![0] <= y![1] + w && y![0] + w <= x![1])
      }),
    )

  test('by its events alone: the same spans, or refused with a date where it starts early or is shut down', () => {
    let taken = 0
    fc.assert(
      fc.property(anyWeekIn(2027), fc.integer({ min: 60, max: 400 }), (week, days) => {
        const from = dayOf(2027, 1, 10)
        const plan = timerPlan(week, from, dayNumber(from + days), 'times')
        const switches = [...transitionsOf(week, plan.within), ...(plan.closing ? [plan.closing] : [])]
        fc.pre(switches.length > 1)
        const read = readSchedule(withoutWeek(written(week, from, from + days)))
        if (!read.ok) {
          expect(read.issues[0].problem).toMatch(/^On \d{4}-\d\d-\d\d the file switches/)
          // Windows cannot say that a date which runs through begins early, nor where a shutdown ends them; and of
          // windows that meet, where one ends and the next begins may be told by no date at all.
          expect(week.autoShutdown ?? week.startEarlyMinutes ?? someMeet(week)).toBeTruthy()
          return
        }
        taken += 1
        sameSpans(read.value, week, { from: switches[0]!.at, to: switches.at(-1)!.at })
      }),
      randomRuns(60),
    )
    expect(taken).toBeGreaterThan(10)
  })

  test('a day off within a window of more than a day', () => {
    const windows = [
      { day: 3 as const, from: 529, to: 1_440 },
      { day: 4 as const, from: 0, to: 530 },
    ]
    const week = weekOf('Etc/UTC', windows, ['2027-03-11'])
    const [from, to] = [dayOf(2027, 1, 10), dayOf(2027, 3, 31)]
    const plan = timerPlan(week, from, to, 'times')
    const read = readSchedule(withoutWeek(written(week, from, to)))
    if (!read.ok) throw new Error(read.issues[0].problem)
    sameSpans(read.value, week, plan.within)
  })

  test('a day off after a window that meets its own, where the date before has an earlier one', () => {
    const windows = [
      { day: 3 as const, from: 0, to: 1 },
      { day: 3 as const, from: 501, to: 1_440 },
      { day: 4 as const, from: 0, to: 1 },
    ]
    const week = weekOf('Etc/UTC', windows, ['2027-04-02'])
    const [from, to] = [dayOf(2027, 1, 10), dayOf(2027, 4, 8)]
    const read = readSchedule(withoutWeek(written(week, from, to)))
    if (!read.ok) throw new Error(read.issues[0].problem)
    sameSpans(read.value, week, timerPlan(week, from, to, 'times').within)
  })

  test('a feed, with the week that it carries, and by its switches where it carries none', () => {
    const release = { from: parseDate('2027-04-06')!, to: parseDate('2027-04-06')!, does: 'on' as const }
    const week: WeekPlan = {
      ...weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-12:00', '22:00-02:00'), ['2027-03-19']),
      name: 'Depot day',
    }
    const all = { ...week, exceptions: [...week.exceptions, release] }
    const machines = [{ name: 'one', region: 'porto', off: 'stopped' as const }]
    const [from, to] = [parseDate('2027-03-01')!, parseDate('2027-09-30')!]
    const { files } = exportSchedule({
      format: 'feed', week: all, machines, safetyNet: false, from, to, commands: {}, scriptPath: '/opt/x.sh', base: 'x', made: MADE,
    }) // prettier-ignore
    const read = readSchedule(files[0]!.text)
    if (!read.ok) throw new Error(read.issues[0].problem)
    expect([read.value.name, read.value.exceptions]).toEqual(['Depot day', all.exceptions])
    const { week: _, ...older } = JSON.parse(files[0]!.text) as { week: unknown }
    const plain = readSchedule(JSON.stringify({ ...older, format: 'notchgauge/schedule/1' }))
    if (!plain.ok) throw new Error(plain.issues[0].problem)
    expect(plain.value.exceptions).toEqual(all.exceptions)
    const within = timerPlan(all, from, to, 'times').within
    expect(weekSpans({ id: 'x', ...plain.value }, within)).toEqual(weekSpans(all, within))
  })

  test.each<[string, string[], string]>([
    ['Sunday evening to midnight', ['20:00-24:00'], '6'],
    ['midday and over midnight, every day', ['12:00-13:00', '23:30-00:30'], '0123456'],
  ])('%s, by its events alone', (_, ranges, days) => {
    const week = weekOf('Europe/Lisbon', windowsOn([...days].map(Number) as Weekday[], ...ranges))
    const from = dayOf(2027, 1, 10)
    const read = readSchedule(withoutWeek(written(week, from, from + 120)))
    if (!read.ok) throw new Error(read.issues[0].problem)
    sameSpans(read.value, week, { from: instant(1_800_000_000), to: instant(1_806_000_000) })
  })

  test('a calendar that was changed since is read by its events', () => {
    const week = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00'))
    const from = dayOf(2027, 3, 1)
    const later = written(week, from, from + 60).replaceAll('T080000', 'T090000')
    const read = readSchedule(later)
    expect(read.ok && read.value.windows.every((window) => window.from === 540)).toBe(true)
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

test('a zone whose rule never comes to a date is no reason to look for it without end', () => {
  const week = weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00'))
  const text = written(week, dayOf(2027, 3, 1), dayOf(2027, 5, 31))
  const broken = text.replace('END:DAYLIGHT', 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30\r\nEND:DAYLIGHT')
  const read = readSchedule(broken)
  expect(read.ok && read.value.windows).toEqual(week.windows)
})
