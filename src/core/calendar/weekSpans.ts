import { keptFor } from '../keptFor.ts'
import { instant, SECONDS_PER_DAY, type Instant, type Span } from '../quantity/units.ts'
import { shutdownAfter } from './autoShutdown.ts'
import { dayNumber, weekdayOf } from './civil.ts'
import { exceptionDays, type ExceptionDays } from './weekException.ts'
import type { WeekPlan, WeekWindow } from './weekPlan.ts'
import { localToInstant, offsetAt, steadyStretch, zoneOffsets, type ZoneOffsets } from './zoneOffsets.ts'

export const LONGEST_LOOK_BACK_DAYS = 400
const DAYS_PER_WEEK = 7

/**
 * The union of a week plan's windows as spans of true time: in time order, apart from each other, none empty. Holds
 * every span that meets `within`, whole and not cut at its ends, so that the length of a run is known; a span that
 * began more than 400 days earlier is cut there.
 *
 * Weeks without a clock change or an exception are one pattern, moved; only odd days are treated one by one, so this is
 * O(spans). Windows keep their wall-clock ends by RFC 5545; after a clock change they may touch,
 * overlap, change order or become empty. Each ends at the first auto-shutdown inside it as it is written, by itself;
 * after that it begins as early as the week says. Dates that run through are cut by none, and an auto-shutdown in them
 * cuts nothing.
 */
export function weekSpans(week: WeekPlan, within: Span): Span[] {
  for (let lookBack = 3; ; lookBack *= 5) {
    const days = Math.min(lookBack, LONGEST_LOOK_BACK_DAYS)
    const from = instant(within.from - days * SECONDS_PER_DAY)
    const spans = spansOfDays(week, from, within.to)
    const first = spans.find((span) => span.to > within.from)
    // Only a span that reaches `within` matters; one in the first days looked at may have begun before them.
    const cutShort = first !== undefined && first.from < from + 2 * SECONDS_PER_DAY
    if (!cutShort || days === LONGEST_LOOK_BACK_DAYS) {
      const start = first ? spans.indexOf(first) : spans.length
      let end = spans.length
      while (end > start && spans[end - 1]!.from >= within.to) end -= 1
      return spans.slice(start, end)
    }
  }
}

/** The same, and the last span before `within`, however long ago within 400 days. */
export function spansAndBefore(week: WeekPlan, within: Span): Span[] {
  const spans = weekSpans(week, within)
  if (spans[0] && spans[0].from <= within.from) return spans
  for (let days = 8; ; days *= 8) {
    const back = Math.min(days, LONGEST_LOOK_BACK_DAYS)
    const before = weekSpans(week, { from: instant(within.from - back * SECONDS_PER_DAY), to: within.from })
    if (before.length > 0 || back === LONGEST_LOOK_BACK_DAYS) return [...before.slice(-1), ...spans]
  }
}

function spansOfDays(week: WeekPlan, from: Instant, to: Instant): Span[] {
  const firstDay = mondayOf(Math.floor(from / SECONDS_PER_DAY) - 1)
  const lastDay = Math.floor(to / SECONDS_PER_DAY) + 1
  const zone = zoneOffsets(week.timeZone)
  const { byWeekday, whole, days } = weekPattern(week)
  const early = earlySeconds(week)
  const spans: Span[] = []
  const shutAfter = cuttingShutdown(week, days, zone)
  const add = (localFrom: number, localTo: number, isRunThrough = false): void => {
    const opens = localToInstant(zone, localFrom)
    const closes = localToInstant(zone, localTo)
    if (closes <= opens) return
    const shut = isRunThrough ? undefined : shutAfter(opens, closes)
    addSpan(spans, instant(opens - early), shut ?? closes)
  }
  let steady = steadyStretch(zone, firstDay * SECONDS_PER_DAY)
  let day = firstDay
  while (day <= lastDay) {
    const midnight = day * SECONDS_PER_DAY
    if (midnight >= steady.until) steady = steadyStretch(zone, midnight)
    const { offset } = steady
    const weekday = weekdayOf(dayNumber(day))
    const weekEnd = midnight + DAYS_PER_WEEK * SECONDS_PER_DAY
    const isPlain = offset !== undefined && weekEnd <= steady.until && !week.autoShutdown
    if (weekday === 0 && isPlain && !isOddWithin(days, day)) {
      addWeek(spans, whole, midnight - offset)
      day += DAYS_PER_WEEK
      continue
    }
    if (days.on.has(day) && (day === firstDay || !days.on.has(day - 1))) {
      const { first, last } = runOf(days.on, day)
      add(first * SECONDS_PER_DAY, (last + 1) * SECONDS_PER_DAY, true)
    }
    if (!days.off.has(day)) {
      for (const window of byWeekday[weekday]!) {
        add(midnight + window.from * 60, midnight + window.to * 60)
      }
    }
    day += 1
  }
  return spans
}

/** The first auto-shutdown after a window opens and before it closes, those on dates that run through left out. */
function cuttingShutdown(
  week: WeekPlan,
  { on }: ExceptionDays,
  zone: ZoneOffsets,
): (opens: Instant, closes: Instant) => Instant | undefined {
  if (!week.autoShutdown) return () => undefined
  const midnight = (day: number): Instant => localToInstant(zone, day * SECONDS_PER_DAY)
  // By instants: about a clock change at midnight, the date on the clock can show twice.
  const runsThrough = (at: Instant): boolean => {
    const day = Math.floor((at + offsetAt(zone, at)) / SECONDS_PER_DAY)
    return [day - 1, day, day + 1].some(
      (each) => on.has(each) && midnight(each) <= at && at < midnight(each + 1),
    )
  }
  return (opens, closes) => {
    let shut = shutdownAfter(week, opens)
    while (shut !== undefined && shut < closes && on.size > 0 && runsThrough(shut))
      shut = shutdownAfter(week, shut)
    return shut !== undefined && shut < closes ? shut : undefined
  }
}

const earlySeconds = ({ startEarlyMinutes = 0 }: WeekPlan): number => startEarlyMinutes * 60

/** The dates in a row that one is among. */
function runOf(dates: ReadonlySet<number>, day: number): { first: number; last: number } {
  let [first, last] = [day, day]
  while (dates.has(first - 1)) first -= 1
  while (dates.has(last + 1)) last += 1
  return { first, last }
}

const mondayOf = (day: number): number => day - weekdayOf(dayNumber(day))

function isOddWithin({ off, on }: ExceptionDays, monday: number): boolean {
  if (off.size + on.size === 0) return false
  for (let day = monday; day < monday + DAYS_PER_WEEK; day += 1) if (off.has(day) || on.has(day)) return true
  return false
}

/** Adds a whole week without a clock change or an exception: its spans, moved. What runs over from Sunday may meet the first ones. */
function addWeek(spans: Span[], whole: readonly Span[], monday: number): void {
  const carried = spans[spans.length - 1]?.to ?? -Infinity
  let i = 0
  for (; i < whole.length && whole[i]!.from + monday <= carried; i += 1) {
    addSpan(spans, instant(whole[i]!.from + monday), instant(whole[i]!.to + monday))
  }
  for (; i < whole.length; i += 1) {
    spans.push({ from: instant(whole[i]!.from + monday), to: instant(whole[i]!.to + monday) })
  }
}

/** Adds a span to spans that are in order and apart; it merges with those it touches. Usually O(1). */
function addSpan(spans: Span[], from: Instant, to: Instant): void {
  if (to <= from) return
  const last = spans[spans.length - 1]
  if (!last || from > last.to) spans.push({ from, to })
  else mergeSpan(spans, from, to)
}

function mergeSpan(spans: Span[], from: Instant, to: Instant): void {
  let start = from
  let end = to
  const later: Span[] = []
  for (let last = spans[spans.length - 1]; last && last.to >= start; last = spans[spans.length - 1]) {
    spans.pop()
    if (last.from > end) later.push(last)
    else {
      start = instant(Math.min(start, last.from))
      end = instant(Math.max(end, last.to))
    }
  }
  spans.push({ from: start, to: end }, ...later.reverse())
}

interface WeekPattern {
  /** Windows by the weekday they start on, in order. */
  readonly byWeekday: readonly (readonly WeekWindow[])[]
  /** The union of all windows in seconds after Monday's midnight, while clocks do not change. */
  readonly whole: readonly Span[]
  readonly days: ExceptionDays
}

/** A week plan is laid out once. */
const weekPattern = keptFor((week: WeekPlan): WeekPattern => {
  const sorted = [...week.windows].sort((a, b) => a.from - b.from)
  const byWeekday = [0, 1, 2, 3, 4, 5, 6].map((day) => sorted.filter((window) => window.day === day))
  const early = earlySeconds(week)
  const whole: Span[] = []
  for (const { day, from, to } of byWeekday.flat()) {
    const midnight = day * SECONDS_PER_DAY
    addSpan(whole, instant(midnight + from * 60 - early), instant(midnight + to * 60))
  }
  return { byWeekday, whole, days: exceptionDays(week.exceptions) }
})
