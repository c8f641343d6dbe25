import { instant, SECONDS_PER_DAY, type Instant, type Span } from '../quantity/units.ts'
import { dayNumber, weekdayOf } from './civil.ts'
import type { WeekPlan, WeekWindow } from './weekPlan.ts'
import { localToInstant, steadyStretch, zoneOffsets, type SteadyStretch } from './zoneOffsets.ts'

const LONGEST_LOOK_BACK_DAYS = 400

/**
 * The union of a week plan's windows as spans of true time: in time order, apart from each other, none empty. Holds
 * every span that meets `within`, whole and not cut at its ends, so that the length of a run is known; a span that
 * began more than 400 days earlier is cut there.
 *
 * O(days × windows a day). Windows keep their wall-clock ends by RFC 5545; after a clock change they may touch,
 * overlap, change order or become empty.
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

function spansOfDays(week: WeekPlan, from: Instant, to: Instant): Span[] {
  const firstDay = Math.floor(from / SECONDS_PER_DAY) - 1
  const lastDay = Math.floor(to / SECONDS_PER_DAY) + 1
  const zone = zoneOffsets(week.timeZone, yearAbout(firstDay) - 1, yearAbout(lastDay) + 1)
  const byWeekday = windowsByWeekday(week)
  const off = week.datesOff.length > 0 ? new Set<number>(week.datesOff) : undefined
  const spans: Span[] = []
  let weekday = weekdayOf(dayNumber(firstDay)) as number
  let steady: SteadyStretch | undefined
  for (let day = firstDay; day <= lastDay; day += 1) {
    const windows = byWeekday[weekday]!
    weekday = weekday === 6 ? 0 : weekday + 1
    if (windows.length === 0 || off?.has(day)) continue
    const midnight = day * SECONDS_PER_DAY
    if (!steady || midnight >= steady.until) steady = steadyStretch(zone, midnight)
    const { offset } = steady
    for (const window of windows) {
      const opens = midnight + window.from * 60
      const closes = midnight + window.to * 60
      if (offset === undefined) addSpan(spans, localToInstant(zone, opens), localToInstant(zone, closes))
      else addSpan(spans, instant(opens - offset), instant(closes - offset))
    }
  }
  return spans
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

/** Right to within a year, which is all that a margin of a year needs. */
const yearAbout = (day: number): number => 1970 + Math.floor(day / 365.2425)

const weekdays = new WeakMap<WeekPlan, readonly (readonly WeekWindow[])[]>()

/** The windows by the weekday they start on, in order; a pure memo. */
function windowsByWeekday(week: WeekPlan): readonly (readonly WeekWindow[])[] {
  let days = weekdays.get(week)
  if (!days) {
    const sorted = [...week.windows].sort((a, b) => a.from - b.from)
    days = [0, 1, 2, 3, 4, 5, 6].map((day) => sorted.filter((window) => window.day === day))
    weekdays.set(week, days)
  }
  return days
}
