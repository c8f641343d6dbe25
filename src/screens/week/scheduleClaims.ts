import { gapSteps, type SwitchedMachine } from '../../core/timers/switching.ts'
import { formatDuration } from '../../wording/time.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import type { ScheduleFormat } from '../../files/timers/exportSchedule.ts'

export const FORMAT_NAMES: Record<ScheduleFormat, string> = {
  calendar: 'Calendar (iCalendar)',
  crontab: 'crontab and script',
  systemd: 'systemd timers',
  'apply-now': 'Script to apply now',
  feed: 'Schedule feed (JSON)',
}

/** What a format holds of the plan and what it does not, as sentences. */
export function scheduleClaims(
  format: ScheduleFormat,
  plan: TimerPlan,
  machines: readonly SwitchedMachine[],
): string[] {
  const own = formatClaims(format, plan)
  const [first, ...more] = gapSteps(machines)
  if (first === undefined) return own
  const lengths = [first, ...more].map((minutes) => formatDuration(minutes * 60)).join(', ')
  return [...own, `Gaps from ${lengths} on are told apart, since machines are in another state in them.`]
}

function formatClaims(format: ScheduleFormat, { rules, once }: TimerPlan): string[] {
  const skips = rules.reduce((sum, rule) => sum + rule.skips.length, 0)
  const times = (count: number): string => `${count} ${count === 1 ? 'time' : 'times'}`
  const single =
    once.length > 0 ? `${times(once.length)} stand by themselves in UTC` : 'no time stands by itself'
  switch (format) {
    case 'calendar':
      return [
        `${rules.length} weekly events; ${times(skips)} left out (EXDATE), ${single}.`,
        'Exact to the minute, exceptions and clock changes included, on the clock of the week’s zone.',
        'It ends with the last date, and with a stop where a run goes over it.',
        'A calendar shows and reminds; it switches nothing by itself.',
      ]
    case 'crontab':
      return [
        `${rules.length} weekly times; ${single}. The script leaves ${times(skips)} out by its date.`,
        'Exact to the minute, with any cron on a computer of any zone: cron asks the script every quarter of an hour, or as often as times need.',
        'The script looks at the clock of the week’s zone. Days on which clocks change stand one by one in UTC.',
        'After the last date the weekly times go on without exceptions.',
      ]
    case 'systemd':
      return [
        `${rules.length} weekly timers; ${single}. The script leaves ${times(skips)} out by its date.`,
        'Exact to the second. Days on which clocks change stand one by one in UTC.',
        'A timer cannot leave out a date: the script does. A time missed while the scheduler was off is not made up for.',
        'After the last date the weekly timers go on without exceptions.',
      ]
    case 'apply-now':
      return [
        'Brings the machines into the state of the moment in which it is run, to the minute, exceptions and clock changes included.',
        'It repeats nothing. Outside the dates it does nothing and ends with 3.',
      ]
    case 'feed':
      return [
        'Every switch as an instant in UTC, exceptions and clock changes included.',
        'It ends with the last date, and with a stop where a run goes over it.',
      ]
  }
}
