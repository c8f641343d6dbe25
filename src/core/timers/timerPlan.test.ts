import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dayNumber, dayOf, parseDate } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { ZONE_YEARS } from '../calendar/zoneData.ts'
import { timeZones, zoneOffsets } from '../calendar/zoneOffsets.ts'
import { instant } from '../quantity/units.ts'
import { anyWeekIn } from '../testing/anyWeeks.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { timerPlan } from './timerPlan.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const date = (text: string) => parseDate(text)!
const utc = (at: number): string => new Date(at * 1_000).toISOString().slice(0, 16)

/** What a week without exceptions does by its rules: minutes of the week, in order. */
const weekly = (week: WeekPlan, from = '2027-03-01', to = '2027-03-07') =>
  timerPlan(week, date(from), date(to), 'days')
    .rules.flatMap(({ days, minute, to: does }) => days.map((day) => ({ at: day * 1_440 + minute, does })))
    .sort((a, b) => a.at - b.at)

describe('after its last date', () => {
  test('a week that ends on Sunday at 24:00 is stopped every Monday', () => {
    const week = weekOf('Europe/Lisbon', windowsOn([6], '20:00-24:00'))
    expect(weekly(week)).toEqual([
      { at: 0, does: 'off' },
      { at: 6 * 1_440 + 1_200, does: 'on' },
    ])
  })

  test('no weekly start is without its stop, whatever the last date', () => {
    fc.assert(
      fc.property(anyWeekIn(2027), fc.integer({ min: 1, max: 360 }), fc.nat(20), (week, day, days) => {
        const from = dayOf(2027, 1, day)
        const { rules } = timerPlan(week, from, dayNumber(from + days), 'days', { steps: [600, 2_280] })
        const does = rules
          .flatMap((rule) => rule.days.map((each) => ({ at: each * 1_440 + rule.minute, does: rule.to })))
          .sort((a, b) => a.at - b.at)
          .map((each) => each.does)
        // In a circle starts and stops take turns.
        does.forEach((each, i) => expect(each).not.toBe(does.at(i - 1)))
      }),
      randomRuns(300),
    )
  })

  test('a night that goes over it is ended; the rules go on by themselves, a calendar is told', () => {
    const nights = weekOf('Europe/Lisbon', windowsOn(EVERY_DAY, '22:00-06:00'))
    const stretch = [date('2027-03-01'), date('2027-03-07')] as const
    const byRule = timerPlan(nights, ...stretch, 'days')
    expect([utc(byRule.closing!.at), byRule.once.length]).toEqual(['2027-03-08T06:00', 0])
    const told = timerPlan(nights, ...stretch, 'times')
    expect(told.once.map(({ at, to }) => [utc(at), to])).toEqual([['2027-03-08T06:00', 'off']])
  })

  test('a release that goes over it is ended with it, and a machine that is always on is let be', () => {
    const release = { from: date('2027-03-06'), to: date('2027-04-30'), does: 'on' as const }
    const week = { ...weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00')), exceptions: [release] }
    const { closing, once } = timerPlan(week, date('2027-03-01'), date('2027-03-07'), 'days')
    expect([utc(closing!.at), once.at(-1)]).toEqual(['2027-03-08T00:00', closing])
    const always = weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-00:00'))
    expect(timerPlan(always, date('2027-03-01'), date('2027-03-07'), 'times').once).toEqual([])
  })
})

test('local times that clocks skip or show twice are given as instants', () => {
  const week = weekOf('Europe/Lisbon', windowsOn([6], '01:30-05:00'))
  const [skipped, twice] = [
    timerPlan(week, date('2027-03-22'), date('2027-03-28'), 'times'),
    timerPlan(week, date('2027-10-25'), date('2027-10-31'), 'times'),
  ]
  expect(skipped.once.map(({ at }) => utc(at))).toEqual(['2027-03-28T01:30'])
  expect(twice.once.map(({ at }) => utc(at))).toEqual(['2027-10-31T00:30'])
  expect(twice.rules.find(({ to }) => to === 'off')!.skips).toEqual([])
})

test('all zones are whole quarters of an hour apart, which crontab lines rely on', () => {
  const since = instant(Date.UTC(2000, 0, 1) / 1_000)
  for (const name of timeZones()) {
    const { starts, offsets } = zoneOffsets(name)
    const kept = offsets.filter((_, i) => (starts[i + 1] ?? Infinity) > since)
    expect([name, kept.every((offset) => offset % 900 === 0)]).toEqual([name, true])
  }
  expect(ZONE_YEARS).toEqual({ first: 1990, last: 2110 })
})
