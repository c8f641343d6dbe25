import { spawnSync } from 'node:child_process'
import ICAL from 'ical.js'
import { readerInstant, readerOffset } from '../../core/testing/zoneReader.ts'
import { day, plan, run, script, switched, week } from '../testing/timersOf.ts'
import { describe, expect, test } from 'vitest'
import { instant } from '../../core/quantity/units.ts'
import { ODD_ZONES } from '../../core/testing/anyWeeks.ts'
import { weekOf, windowsOn, WORKDAYS } from '../../core/testing/weeks.ts'
import { timerPlan } from '../../core/timers/timerPlan.ts'
import { transitionsOf, type Switch } from '../../core/timers/transitions.ts'
import { crontab } from './crontab.ts'
import { scheduleCalendar } from './scheduleCalendar.ts'
import { scheduleFeed } from './scheduleFeed.ts'
import { systemdUnits } from './systemdUnits.ts'

test('the crontab is one line that is right on any clock, as rarely as the times allow', () => {
  const lines = crontab(plan, 'Depot day', '/opt/depot-day.sh').trim().split('\n')
  expect(lines.filter((line) => !line.startsWith('#'))).toEqual(['0,15,30,45 * * * * /opt/depot-day.sh due'])
  const odd = timerPlan(
    weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:07-18:00')),
    day('2027-03-01'),
    day('2027-03-07'),
    'days',
  )
  expect(crontab(odd, 'Odd', '/opt/odd.sh')).toContain('\n0,7,15,22,30,37,45,52 * * * * /opt/odd.sh due\n')
  const none = timerPlan(weekOf('Etc/UTC', []), day('2027-03-01'), day('2027-03-07'), 'days')
  expect(crontab(none, 'None', '/opt/none.sh')).not.toMatch(/^[^#\n]/m)
})

describe('asked for what is due', () => {
  const due = (at: string): string => run(script, at, 'due').stdout
  test('does what the clock of the week has, whatever the clock of the host', () => {
    const env = process.env['TZ']
    for (const zone of ['America/New_York', 'Asia/Kathmandu']) {
      process.env['TZ'] = zone
      expect(due('2027-03-18T08:00:00Z')).toContain('start crew')
      expect(due('2027-03-18T18:00:00Z')).toContain('stop crew')
      expect([due('2027-03-18T08:15:00Z'), due('2027-03-18T12:00:00Z')]).toEqual(['', ''])
      // A Saturday, a date off, and an hour later by UTC than before clocks changed.
      expect([due('2027-03-20T08:00:00Z'), due('2027-03-19T08:00:00Z'), due('2027-03-29T08:00:00Z')]).toEqual(['', '', '']) // prettier-ignore
      expect(due('2027-03-29T07:00:00Z')).toContain('start crew')
    }
    if (env === undefined) delete process.env['TZ']
    else process.env['TZ'] = env
  })

  test('fails where a command does', () => {
    expect(run(script, '2027-03-22T18:00:00Z', 'due').status).toBe(1)
    expect(run(script, '2027-03-22T18:01:00Z', 'due').status).toBe(0)
  })
})

test('calendars of systemd timers are understood, and mean the planned instants', () => {
  const found = spawnSync('systemd-analyze', ['--version'])
  const units = systemdUnits(plan, 'Depot day, 100 %', 'depot-day', '/opt/depot-day.sh')
  expect(units.map(({ name }) => name)).toEqual([
    'depot-day@.service',
    'depot-day-on-0800.timer',
    'depot-day-off-1800.timer',
  ])
  expect(units[0]!.text).toContain(
    'Description=Depot day, 100 %%, 2027-03-01 to 2027-04-30, time zone data 2026f: %i',
  )
  if (found.status !== 0) return
  const calendar = /^OnCalendar=(.*)$/m.exec(units[1]!.text)![1]!
  const options = ['calendar', '--base-time=2027-03-26 12:00:00 UTC', '--iterations=2', calendar]
  const { stdout, status } = spawnSync('systemd-analyze', options, {
    encoding: 'utf8',
    env: { ...process.env, TZ: 'UTC' },
  })
  expect(status).toBe(0)
  expect(stdout).toContain('2027-03-29 07:00:00 UTC')
  expect(stdout).toContain('2027-03-30 07:00:00 UTC')
})

test('the feed lists every switch of machines that are switched', () => {
  const feed = JSON.parse(
    scheduleFeed(plan, { title: 'Depot day', week }, switched.machines, transitionsOf(week, plan.within)),
  )
  expect(feed.machines.map(({ on, off }: { on: string; off: string }) => [on, off])).toEqual([
    ['start', 'stop'],
    ['start', 'hibernate'],
  ])
  expect(feed.switches[0]).toEqual({ at: '2027-03-01T08:00:00Z', to: 'on' })
  expect(feed.switches).toHaveLength(2 * 44)
})

describe('the calendar', () => {
  const title = {
    id: 'depot',
    title: 'Depot day',
    week,
    says: ({ to }: Switch) => (to === 'on' ? 'Start; it, with\\all\nof it' : `Stop ${'é'.repeat(60)}`),
  }
  const of = (zone: string): string =>
    scheduleCalendar(
      timerPlan({ ...week, timeZone: zone }, day('2027-03-01'), day('2028-02-29'), 'times'),
      title,
      instant(1_800_000_000),
    )

  test('keeps its lines within 75 octets and its text as it was', () => {
    const lines = of('Europe/Lisbon').split('\r\n')
    expect(Math.max(...lines.map((line) => new TextEncoder().encode(line).length))).toBeLessThanOrEqual(75)
    const root = new ICAL.Component(ICAL.parse(of('Europe/Lisbon')) as unknown[])
    const summaries = root
      .getAllSubcomponents('vevent')
      .map((event) => event.getFirstPropertyValue('summary'))
    expect(summaries).toEqual((['on', 'off'] as const).map((to) => title.says({ to, gapFrom: 0 })))
  })

  test.each(ODD_ZONES)('describes %s as it is', (zone) => {
    const root = new ICAL.Component(ICAL.parse(of(zone)) as unknown[])
    const described = new ICAL.Timezone(root.getFirstSubcomponent('vtimezone')!)
    for (let at = Date.UTC(2027, 2, 1); at < Date.UTC(2028, 1, 29); at += 5 * 3_600_000) {
      const local = at / 1_000 + readerOffset(zone, at / 1_000)
      // Of a time that happens twice a calendar may take either.
      if (readerInstant(zone, local, 'later') !== readerInstant(zone, local)) continue
      const shown = new Date(local * 1_000)
      const time = new ICAL.Time(
        {
          year: shown.getUTCFullYear(),
          month: shown.getUTCMonth() + 1,
          day: shown.getUTCDate(),
          hour: shown.getUTCHours(),
          minute: shown.getUTCMinutes(),
          second: 0,
          isDate: false,
        },
        described,
      )
      expect(time.utcOffset()).toBe(readerOffset(zone, at / 1_000))
    }
  })
})
