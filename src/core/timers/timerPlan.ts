import { dayNumber, weekdayOf, type DayNumber } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import { clockChanges, localToInstant, zoneOffsets, type ZoneOffsets } from '../calendar/zoneOffsets.ts'
import { instant, SECONDS_PER_DAY, type Span } from '../quantity/units.ts'
import { switchKey, transitionsOf, type SwitchOptions, type Transition } from './transitions.ts'
import { weeklyRules, type WeeklyRule } from './weeklyRules.ts'

/** A rule that is left out on some dates of the week's zone. */
export interface TimerRule extends WeeklyRule {
  /** Also dates that are not among its days, to which a scheduler might move a time that clocks skip. */
  readonly skips: readonly DayNumber[]
}

/**
 * A week as schedulers can hold it: rules that repeat every week with the dates on which they do not apply, and single
 * switches for what no rule gives. Together they switch exactly when the plan does, from the first date to the last.
 */
export interface TimerPlan {
  readonly timeZone: string
  /** The first and the last date of the week's zone that it covers. */
  readonly from: DayNumber
  readonly to: DayNumber
  /** The same as instants; the last one does not count. */
  readonly within: Span
  readonly rules: readonly TimerRule[]
  readonly once: readonly Transition[]
  /** On at the very beginning. */
  readonly beginsOn: boolean
}

/**
 * What a scheduler makes of a local time on a day when clocks change. `rfc5545`: a time that happens twice means the
 * first one, one that never happens is read with the offset before (RFC 5545, section 3.3.5). `unknown`: schedulers
 * differ, so that on such days every switch is given as an instant.
 */
export type ClockChangeRule = 'rfc5545' | 'unknown'

/** Longer ones are refused: files would grow without end. */
export const LONGEST_TIMER_DAYS = 5 * 366

/** O(dates × rules). `from` and `to` are dates of the week's zone, at most `LONGEST_TIMER_DAYS` apart. */
export function timerPlan(
  week: WeekPlan,
  from: DayNumber,
  to: DayNumber,
  clockChangeRule: ClockChangeRule,
  options: SwitchOptions = {},
): TimerPlan {
  if (to < from || to - from >= LONGEST_TIMER_DAYS) throw new RangeError('not a stretch of dates for timers')
  const zone = zoneOffsets(week.timeZone)
  const midnight = (day: number) => localToInstant(zone, day * SECONDS_PER_DAY)
  const within = { from: midnight(from), to: midnight(to + 1) }
  const planned = transitionsOf(week, within, options)
  const left = new Map(planned.map((each) => [keyOf(each), each]))
  const odd = clockChangeRule === 'unknown' ? datesOfChanges(zone, within) : new Set<number>()
  const rules = weeklyRules(week, options).map((rule): TimerRule => {
    const skips = new Set(odd)
    for (let day: number = from; day <= to; day += 1) {
      if (odd.has(day) || !rule.days.includes(weekdayOf(dayNumber(day)))) continue
      const at = localToInstant(zone, day * SECONDS_PER_DAY + rule.minute * 60)
      if (!left.delete(keyOf({ ...rule, at }))) skips.add(day)
    }
    return { ...rule, skips: [...skips].sort((x, y) => x - y).map(dayNumber) }
  })
  return {
    timeZone: week.timeZone,
    from,
    to,
    within,
    rules,
    once: [...left.values()],
    beginsOn: weekSpans(week, { from: within.from, to: instant(within.from + 1) }).length > 0,
  }
}

const keyOf = (each: Transition): string => `${each.at} ${switchKey(each)}`

/**
 * Local dates about each clock change: those of the change itself by the clock before and by the one after, and those
 * that a time which never happens is moved to, whichever way.
 */
function datesOfChanges(zone: ZoneOffsets, within: Span): Set<number> {
  const around = { from: instant(within.from - SECONDS_PER_DAY), to: instant(within.to + SECONDS_PER_DAY) }
  const dates = new Set<number>()
  for (const { at, before, after } of clockChanges(zone, around.from, around.to)) {
    const by = Math.abs(after - before)
    const last = Math.floor((at + Math.max(before, after) + by) / SECONDS_PER_DAY)
    let day = Math.floor((at + Math.min(before, after) - by) / SECONDS_PER_DAY)
    for (; day <= last; day += 1) dates.add(day)
  }
  return dates
}
