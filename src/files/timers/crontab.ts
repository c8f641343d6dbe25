import { formatDate } from '../../core/calendar/civil.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import { groupOnce } from './ruleId.ts'

const QUARTER = 15
/** With more different minutes it is asked every minute. */
const MOST_MINUTES = 16

/**
 * One line for crontab(5) that asks `script` for what is due, at each minute of an hour at which something can be, on
 * whatever clock the host and its cron go by: all zones are whole quarters of an hour apart. So it is right where
 * CRON_TZ is known and where it is not, and on a host of any zone; the script looks at the clock of the plan's own.
 */
export function crontab(plan: TimerPlan, title: string, script: string): string {
  const minutes = [...plan.rules, ...groupOnce(plan.once)].map(({ minute }) => minute % QUARTER)
  const quarters = [...new Set(minutes)].sort((a, b) => a - b)
  const all = [0, 15, 30, 45].flatMap((quarter) => quarters.map((minute) => quarter + minute))
  const asked = all.length > MOST_MINUTES ? '*' : all.sort((a, b) => a - b).join(',')
  return [
    `# ${title}`,
    `# ${formatDate(plan.from)} to ${formatDate(plan.to)}. Needs the script beside this file, which looks at the clock of ${plan.timeZone} and does`,
    '# what is due in this very minute: so the zone of this computer and of its cron do not matter.',
    ...(quarters.length > 0 ? [`${asked} * * * * ${script} due`] : ['# Nothing is switched.']),
    '',
  ].join('\n')
}
