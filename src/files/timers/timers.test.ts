import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dayNumber, dayOf, type DayNumber } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { instant, type Instant } from '../../core/quantity/units.ts'
import { anyWeekIn } from '../../core/testing/anyWeeks.ts'
import { weekOf } from '../../core/testing/weeks.ts'
import { timerPlan, type TimerPlan } from '../../core/timers/timerPlan.ts'
import { transitionsOf, type Switch, type SwitchOptions } from '../../core/timers/transitions.ts'
import {
  HOST_ZONES,
  inOrder,
  readCalendar,
  readUnits,
  switchesByCron,
  switchesOf,
} from '../testing/readTimers.ts'
import { crontab } from './crontab.ts'
import { powerScript } from './powerScript.ts'
import { switchId } from './ruleId.ts'
import { scheduleCalendar } from './scheduleCalendar.ts'
import { systemdUnits } from './systemdUnits.ts'
import { utcTime } from './utcText.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

/**
 * What is exported is read back by readers that share nothing with the writers, and must switch exactly when the plan
 * does. On days when clocks change schedulers differ in what a local time means: the readers of crontab and of systemd
 * timers therefore read such a time in each of the ways that are known, and all must come to the same.
 */

/** `2027-03-01T08:00:00Z off-shutdown-gap-38h`. */
const textOf = (at: Instant, { to, gapFrom, byShutdown }: Switch): string =>
  `${utcTime(at)} ${to}${byShutdown ? '-shutdown' : ''}${gapFrom === 0 ? '' : `-gap-${gapFrom % 60 === 0 ? `${gapFrom / 60}h` : `${gapFrom}m`}`}`

const planned = (week: WeekPlan, plan: TimerPlan, options: SwitchOptions): string[] =>
  transitionsOf(week, plan.within, options).map(({ at, ...does }) => textOf(at, does))

const MACHINES = [{ name: 'one', region: 'porto', off: 'hibernated' as const }]
const SWITCHED = { title: 'Tests', machines: MACHINES, commands: {}, timeZone: 'Etc/UTC' }
const TITLE = { id: 'tests', title: 'Tests', says: switchId, week: weekOf('Etc/UTC', []) }
const MADE = instant(1_800_000_000)

const anyStretch = fc.integer({ min: 2012, max: 2036 }).chain((year) =>
  fc.record({
    week: anyWeekIn(year),
    from: fc.integer({ min: 1, max: 365 }).map((day): DayNumber => dayOf(year, 1, day)),
    days: fc.integer({ min: 0, max: 400 }),
    options: fc.record({
      safetyNet: fc.boolean(),
      steps: fc
        .uniqueArray(fc.integer({ min: 1, max: 3_000 }), { maxLength: 2 })
        .map((steps) => steps.sort((x, y) => x - y)),
    }),
  }),
)

describe('what is exported switches exactly when the plan does', () => {
  test('as iCalendar', () => {
    fc.assert(
      fc.property(anyStretch, ({ week, from, days, options }) => {
        const plan = timerPlan(week, from, dayNumber(from + days), 'times', options)
        const closing = plan.closing ? [textOf(plan.closing.at, plan.closing)] : []
        expect(readCalendar(scheduleCalendar(plan, TITLE, MADE))).toEqual(
          inOrder([...planned(week, plan, options), ...closing]),
        )
      }),
      randomRuns(15),
    )
  })

  test('as crontab, and as systemd timers', () => {
    fc.assert(
      fc.property(anyStretch, ({ week, from, days, options }) => {
        const plan = timerPlan(week, from, dayNumber(from + days), 'days', options)
        const script = powerScript(plan, SWITCHED)
        const expected = inOrder(planned(week, plan, options))
        const units = readUnits(systemdUnits(plan, 'Tests', 'tests', '/opt/power.sh'), plan)
        for (const reading of ['earlier', 'later'] as const) {
          expect(switchesOf(units, script, plan, reading)).toEqual(expected)
        }
        const lines = crontab(plan, 'Tests', '/opt/power.sh')
        for (const host of HOST_ZONES) expect(switchesByCron(lines, script, plan, host)).toEqual(expected)
      }),
      randomRuns(15),
    )
  })
})
