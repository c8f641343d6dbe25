import { dayNumber, parseDate, type DayNumber } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { LONGEST_GAP_DAYS } from '../../core/off/offPlan.ts'
import { instant, SECONDS_PER_DAY, type Instant } from '../../core/quantity/units.ts'
import { type Commands } from '../../core/machine/switchActions.ts'
import { actionOf, gapSteps, type SwitchedMachine } from '../../core/timers/switching.ts'
import { timerPlan, type TimerPlan } from '../../core/timers/timerPlan.ts'
import { transitionsOf, type Switch, type Transition } from '../../core/timers/transitions.ts'
import { applyNowScript } from './applyNowScript.ts'
import { crontab } from './crontab.ts'
import { powerScript } from './powerScript.ts'
import { scheduleCalendar, type CalendarTitle } from './scheduleCalendar.ts'
import { scheduleFeed } from './scheduleFeed.ts'
import { systemdUnits } from './systemdUnits.ts'

export const SCHEDULE_FORMATS = ['calendar', 'crontab', 'systemd', 'apply-now', 'feed'] as const
export type ScheduleFormat = (typeof SCHEDULE_FORMATS)[number]

export interface ScheduleExportInputs {
  readonly format: ScheduleFormat
  readonly week: WeekPlan
  /** Those that the schedule switches. */
  readonly machines: readonly SwitchedMachine[]
  /** Also switch off at each auto-shutdown, whatever runs. */
  readonly safetyNet: boolean
  /** Dates of the week's zone; both count. */
  readonly from: DayNumber
  readonly to: DayNumber
  readonly commands: Commands
  /** Where the script will stand that timers call; `isScriptPath`. */
  readonly scriptPath: string
  /** Beginning of file and unit names: letters, digits and hyphens. */
  readonly base: string
  readonly made: Instant
}

export interface ScheduleFile {
  readonly name: string
  readonly text: string
}

export interface ExportedSchedule {
  readonly files: readonly ScheduleFile[]
  readonly plan: TimerPlan
}

/** An absolute path that needs no quoting anywhere. */
export const isScriptPath = (path: string): boolean => /^\/[A-Za-z0-9._/-]{1,200}$/.test(path)

/** The files of one format, the one that says most first. */
export function exportSchedule(inputs: ScheduleExportInputs): ExportedSchedule {
  const { format, week, machines, safetyNet, commands, scriptPath, base, made } = inputs
  const { from, to } = datesWithin(inputs)
  const options = { steps: gapSteps(machines), safetyNet }
  const whole = timerPlan(week, from, to, format === 'calendar' ? 'times' : 'days', options)
  // What switches no machine, as it is left on in such gaps, is no switch.
  const isFor = (does: Switch): boolean => machines.some((machine) => actionOf(machine, does))
  const plan = { ...whole, rules: whole.rules.filter(isFor), once: whole.once.filter(isFor) }
  const switches = (from: Instant = plan.within.from): Transition[] =>
    [
      ...transitionsOf(
        week,
        { from, to: plan.within.to },
        { ...options, safetyNet: safetyNet && format === 'feed' },
      ),
      ...(plan.closing ? [plan.closing] : []),
    ].filter(isFor)
  const title = titleOf(week, machines)
  const switched = { title, machines, commands, timeZone: week.timeZone }
  const script = { name: `${base}.sh`, text: powerScript(plan, switched) }
  switch (format) {
    case 'calendar':
      return {
        plan,
        files: [
          { name: `${base}.ics`, text: scheduleCalendar(plan, calendarTitle(week, machines, base), made) },
        ],
      }
    case 'crontab':
      return { plan, files: [{ name: `${base}.crontab`, text: crontab(plan, title, scriptPath) }, script] }
    case 'systemd': {
      const [service, ...timers] = systemdUnits(plan, title, base, scriptPath)
      return { plan, files: [...timers, service!, script] }
    }
    case 'apply-now':
      return {
        plan,
        files: [
          {
            name: `${base}-now.sh`,
            text: applyNowScript(plan, switches(longBefore(plan.within.from)), switched),
          },
        ],
      }
    case 'feed':
      return {
        plan,
        files: [
          {
            name: `${base}.schedule.json`,
            text: scheduleFeed(plan, { title, week }, machines, switches()),
          },
        ],
      }
  }
}

/** The dates on which any of the machines is there; all of them where none is. */
function datesWithin({ machines, from, to }: ScheduleExportInputs): { from: DayNumber; to: DayNumber } {
  const firsts = machines.map(({ firstDay }) => (firstDay === undefined ? -Infinity : parseDate(firstDay)!))
  const lasts = machines.map(({ lastDay }) => (lastDay === undefined ? Infinity : parseDate(lastDay)!))
  const [first, last] = [Math.max(from, Math.min(...firsts)), Math.min(to, Math.max(...lasts))]
  return machines.length === 0 || last < first
    ? { from, to }
    : { from: dayNumber(first), to: dayNumber(last) }
}

/** As far back as the last switch before is looked for. */
const longBefore = (at: Instant): Instant => instant(at - 2 * LONGEST_GAP_DAYS * SECONDS_PER_DAY)

/** Names of machines may hold anything but control characters. */
const titleOf = ({ name }: WeekPlan, machines: readonly SwitchedMachine[]): string =>
  machines.length === 1 ? `${name}, ${machines[0]!.name}` : `${name}, ${machines.length} machines`

function calendarTitle(week: WeekPlan, machines: readonly SwitchedMachine[], id: string): CalendarTitle {
  const title = titleOf(week, machines)
  const [machine] = machines
  if (machines.length !== 1 || !machine) {
    const long = (minutes: number): string => (minutes % 60 === 0 ? `${minutes / 60} h` : `${minutes} min`)
    return {
      id,
      week,
      title,
      says: ({ to, gapFrom, byShutdown }) =>
        [
          `${week.name}: ${to}`,
          ...(byShutdown ? ['auto-shutdown'] : []),
          ...(gapFrom > 0 ? [`gap from ${long(gapFrom)}`] : []),
        ].join(', '),
    }
  }
  return {
    id,
    week,
    title,
    says: (does) => {
      const action = actionOf(machine, does) ?? does.to
      return `${action[0]!.toUpperCase()}${action.slice(1)} ${machine.name}`
    },
  }
}
