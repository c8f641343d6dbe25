import { ZONE_RELEASE } from '../../core/calendar/zoneData.ts'
import { formatDate } from '../../core/calendar/civil.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import { groupOnce, ruleId } from './ruleId.ts'
import { clockDigits } from './utcText.ts'

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

export interface UnitFile {
  readonly name: string
  readonly text: string
}

const clock = (minute: number): string => clockDigits(minute).replace(/(..)(..)/, '$1:$2:00')

/**
 * Units for systemd.timer(5) and systemd.service(5): one service that takes the name of a rule, and a timer for each
 * rule. `base` is the beginning of their names, `script` the absolute path of the script that they run.
 */
export function systemdUnits(plan: TimerPlan, title: string, base: string, script: string): UnitFile[] {
  const weekly = plan.rules.map((rule) => ({
    id: ruleId(rule),
    calendars: [
      `${rule.days.length === 7 ? '' : `${rule.days.map((day) => DAYS[day]).join(',')} `}*-*-* ${clock(rule.minute)} ${plan.timeZone}`,
    ],
  }))
  const once = groupOnce(plan.once).map(({ id, minute, dates }) => ({
    id,
    calendars: dates.map((date) => `${date} ${clock(minute)} UTC`),
  }))
  const covers = `${formatDate(plan.from)} to ${formatDate(plan.to)}, time zone data ${ZONE_RELEASE}`
  // A percent sign begins a specifier (systemd.unit(5)).
  const said = `${title}, ${covers}`.replaceAll('%', '%%')
  return [
    {
      name: `${base}@.service`,
      text: unit({
        Unit: [`Description=${said}: %i`],
        Service: ['Type=oneshot', `ExecStart=${script} %i`],
      }),
    },
    ...[...weekly, ...once].map(({ id, calendars }) => ({
      name: `${base}-${id}.timer`,
      text: unit({
        Unit: [`Description=${said}: ${id}`],
        Timer: [
          ...calendars.map((calendar) => `OnCalendar=${calendar}`),
          'AccuracySec=1s',
          'Persistent=false',
          `Unit=${base}@${id}.service`,
        ],
        Install: ['WantedBy=timers.target'],
      }),
    })),
  ]
}

const unit = (sections: Readonly<Record<string, readonly string[]>>): string =>
  Object.entries(sections)
    .map(([name, lines]) => [`[${name}]`, ...lines, ''].join('\n'))
    .join('\n')
