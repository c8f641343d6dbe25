import { dayNumber, weekdayOf, type DayNumber } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import {
  clockChanges,
  localToInstant,
  offsetAt,
  showsOnce,
  zoneOffsets,
  type ZoneOffsets,
} from '../calendar/zoneOffsets.ts'
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
  /**
   * The switch-off after the last date that ends a run which goes over it, so that nothing is left on: at its own end,
   * or with the last date where that is more than a week away. Among `once`, unless a rule gives it; rules go on.
   */
  readonly closing: Transition | undefined
}

/**
 * What is given as an instant, since schedulers differ in what they make of it. `times`: local times that clocks skip or
 * show twice (RFC 5545, section 3.3.5, says what they mean, and widespread readers of calendars do not keep to it).
 * `days`: every switch on a day when clocks change. Rules of `times` end with the last date, rules of `days` go on.
 */
export type ClockChangeRule = 'times' | 'days'

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
  const odd = clockChangeRule === 'days' ? datesOfChanges(zone, within) : new Set<number>()
  const rules = weeklyRules(week, options).map((rule): TimerRule => {
    const skips = new Set(odd)
    for (let day: number = from; day <= to; day += 1) {
      if (odd.has(day) || !rule.days.includes(weekdayOf(dayNumber(day)))) continue
      const local = day * SECONDS_PER_DAY + rule.minute * 60
      const key = keyOf({ ...rule, at: localToInstant(zone, local) })
      if (!showsOnce(zone, local) || !left.delete(key)) skips.add(day)
    }
    return { ...rule, skips: [...skips].sort((x, y) => x - y).map(dayNumber) }
  })
  const closing = closingOf(week, within, planned, options)
  const isByRule = closing && clockChangeRule === 'days' && rules.some((rule) => gives(rule, closing, zone))
  return {
    timeZone: week.timeZone,
    from,
    to,
    within,
    rules,
    once: [...left.values(), ...(closing && !isByRule ? [closing] : [])],
    beginsOn: weekSpans(week, { from: within.from, to: instant(within.from + 1) }).length > 0,
    closing,
  }
}

const LONGEST_OVER = 7 * SECONDS_PER_DAY

function closingOf(
  week: WeekPlan,
  within: Span,
  planned: readonly Transition[],
  { steps = [] }: SwitchOptions,
): Transition | undefined {
  const latest = instant(within.to + LONGEST_OVER)
  const [over] = weekSpans(week, { from: instant(within.to - 1), to: instant(latest + 1) })
  if (!over || over.from >= within.to) return undefined
  if (over.to <= latest)
    return transitionsOf(week, { from: over.to, to: instant(over.to + 1) }, { steps }).find(
      ({ to }) => to === 'off',
    )
  // What is never switched on is not switched off.
  if (!planned.some(({ to }) => to === 'on')) return undefined
  return { at: within.to, to: 'off', gapFrom: steps.at(-1) ?? 0 }
}

/** Whether a rule switches then by itself, after the last date. */
function gives(rule: TimerRule, closing: Transition, zone: ZoneOffsets): boolean {
  const local = closing.at + offsetAt(zone, closing.at)
  const day = Math.floor(local / SECONDS_PER_DAY)
  return (
    switchKey(rule) === switchKey(closing) &&
    rule.minute * 60 === local - day * SECONDS_PER_DAY &&
    rule.days.includes(weekdayOf(dayNumber(day))) &&
    !rule.skips.some((skip) => skip === day)
  )
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
