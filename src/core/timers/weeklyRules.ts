import { weekdayOf, dayNumber, type Weekday } from '../calendar/civil.ts'
import { MINUTES_PER_DAY, type WeekPlan } from '../calendar/weekPlan.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import { instant, SECONDS_PER_DAY } from '../quantity/units.ts'
import type { Transition } from './transitions.ts'

/** A switch at one time of day on some days of every week, on the week's wall clock. */
export interface WeeklyRule {
  readonly to: Transition['to']
  /** 0 to 1,439, after midnight. */
  readonly minute: number
  readonly days: readonly Weekday[]
}

const MINUTES_PER_WEEK = 7 * MINUTES_PER_DAY
/** A Monday, in the middle of weeks without clock changes or exceptions. */
const SOME_MONDAY = 4

/**
 * The switches of a week without clock changes or exceptions: windows that touch or overlap are one, so that none is
 * switched off while another goes on. In order of their time of day; none for a week that is always on or never.
 */
export function weeklyRules(week: WeekPlan): WeeklyRule[] {
  const { autoShutdown, timeZone, ...rest } = week
  // On another clock its time of day changes with the seasons: such a switch-off is no weekly rule of this one.
  const isOwn = autoShutdown && (autoShutdown.timeZone ?? timeZone) === timeZone
  const { minute, days } = autoShutdown ?? {}
  const plain: WeekPlan = {
    ...rest,
    timeZone: 'Etc/UTC',
    exceptions: [],
    ...(isOwn && minute !== undefined && days && { autoShutdown: { minute, days } }),
  }
  const monday = SOME_MONDAY * SECONDS_PER_DAY
  const within = { from: instant(monday), to: instant(monday + 7 * SECONDS_PER_DAY) }
  const rules = new Map<string, { to: Transition['to']; minute: number; days: Set<Weekday> }>()
  const add = (at: number, to: Transition['to']): void => {
    const ofWeek = ((((at - monday) / 60) % MINUTES_PER_WEEK) + MINUTES_PER_WEEK) % MINUTES_PER_WEEK
    const minute = ofWeek % MINUTES_PER_DAY
    const key = `${minute} ${to}`
    const rule = rules.get(key) ?? { to, minute, days: new Set<Weekday>() }
    rules.set(key, rule)
    rule.days.add(weekdayOf(dayNumber(SOME_MONDAY + Math.floor(ofWeek / MINUTES_PER_DAY))))
  }
  for (const { from, to } of weekSpans(plain, within)) {
    // A span that never ends within weeks has no switches.
    if (to - from >= 8 * SECONDS_PER_DAY) return []
    add(from, 'on')
    add(to, 'off')
  }
  return [...rules.values()]
    .map(({ days, ...rule }) => ({ ...rule, days: [...days].sort((a, b) => a - b) }))
    .sort((a, b) => a.minute - b.minute || (a.to < b.to ? -1 : 1))
}
