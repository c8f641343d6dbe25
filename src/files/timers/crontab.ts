import { formatDate } from '../../core/calendar/civil.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import { groupOnce, ruleId } from './ruleId.ts'

/** Monday first here, Sunday is 0 there. */
const cronDay = (day: number): number => (day + 1) % 7

/** 0,6 stays a list, 1,2,3,4,5 becomes 1-5. */
function cronDays(days: readonly number[]): string {
  if (days.length === 7) return '*'
  const sorted = days.map(cronDay).sort((a, b) => a - b)
  const isRun = sorted.length > 2 && sorted.every((day, i) => day === sorted[0]! + i)
  return isRun ? `${sorted[0]}-${sorted.at(-1)}` : sorted.join(',')
}

/**
 * Lines for crontab(5), calling `script` with the name of a rule. `CRON_TZ` says in which zone the lines below it are
 * read: the week's for what repeats, UTC for single switches. A line cannot name a year, so the script looks at the
 * date.
 */
export function crontab(plan: TimerPlan, title: string, script: string): string {
  const weekly = plan.rules.map((rule) => {
    const time = `${rule.minute % 60} ${Math.floor(rule.minute / 60)}`
    return `${time} * * ${cronDays(rule.days)} ${script} ${ruleId(rule)}`
  })
  const once = groupOnce(plan.once).flatMap(({ id, minute, dates }) =>
    dates.map((date) => {
      const [, month, day] = date.split('-').map(Number)
      return `${minute % 60} ${Math.floor(minute / 60)} ${day} ${month} * ${script} ${id}`
    }),
  )
  return [
    `# ${title}`,
    `# ${formatDate(plan.from)} to ${formatDate(plan.to)}. Needs a cron that knows CRON_TZ, and the script beside this file.`,
    `CRON_TZ=${plan.timeZone}`,
    ...weekly,
    ...(once.length > 0
      ? ['', '# Single times: exceptions, and days on which clocks change.', 'CRON_TZ=UTC', ...new Set(once)]
      : []),
    '',
  ].join('\n')
}
