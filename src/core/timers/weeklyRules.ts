import { weekdayOf, dayNumber, type Weekday } from '../calendar/civil.ts'
import { MINUTES_PER_DAY, type WeekPlan } from '../calendar/weekPlan.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import { instant, SECONDS_PER_DAY } from '../quantity/units.ts'
import { switchKey, transitionsOf, type Switch, type SwitchOptions } from './transitions.ts'

/** A switch at one time of day on some days of every week, on the week's wall clock. */
export interface WeeklyRule extends Switch {
  /** 0 to 1,439, after midnight. */
  readonly minute: number
  readonly days: readonly Weekday[]
}

/** A Monday, in the middle of weeks without clock changes or exceptions. */
const SOME_MONDAY = 4

/**
 * The switches of a week without clock changes or exceptions: windows that touch or overlap are one, so that none is
 * switched off while another goes on. In order of their time of day; none for a week that is always on or never.
 */
export function weeklyRules(week: WeekPlan, options: SwitchOptions = {}): WeeklyRule[] {
  const { autoShutdown, timeZone, ...rest } = week
  // On another clock its time of day changes with the seasons: such a switch-off is no weekly rule of this one.
  const isOwn = autoShutdown && (autoShutdown.timeZone ?? timeZone) === timeZone
  const plain: WeekPlan = {
    ...rest,
    timeZone: 'Etc/UTC',
    exceptions: [],
    ...(isOwn && { autoShutdown: { ...autoShutdown, timeZone: 'Etc/UTC' } }),
  }
  const monday = SOME_MONDAY * SECONDS_PER_DAY
  const within = { from: instant(monday), to: instant(monday + 7 * SECONDS_PER_DAY) }
  // A span that never ends within weeks has no switches.
  if (weekSpans(plain, within).some(({ from, to }) => to - from >= 8 * SECONDS_PER_DAY)) return []
  const rules = new Map<string, Switch & { minute: number; days: Set<Weekday> }>()
  for (const { at, ...does } of transitionsOf(plain, within, options)) {
    const minute = ((at - monday) / 60) % MINUTES_PER_DAY
    const key = `${minute} ${switchKey(does)}`
    const rule = rules.get(key) ?? { ...does, minute, days: new Set<Weekday>() }
    rules.set(key, rule)
    rule.days.add(weekdayOf(dayNumber(Math.floor(at / SECONDS_PER_DAY))))
  }
  return [...rules.values()]
    .map(({ days, ...rule }) => ({ ...rule, days: [...days].sort((a, b) => a - b) }))
    .sort((a, b) => a.minute - b.minute || a.gapFrom - b.gapFrom || (a.to < b.to ? -1 : 1))
}
