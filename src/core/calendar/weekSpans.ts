import { instant, SECONDS_PER_DAY, type Instant, type Span } from '../quantity/units.ts'
import { civilDate, dayNumber, weekdayOf } from './civil.ts'
import type { WeekPlan, WeekWindow } from './weekPlan.ts'
import { localToInstant, zoneOffsets, type ZoneOffsets } from './zoneOffsets.ts'

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
    const first = spans[0]
    // A span in the first day looked at may have begun before it; only one that reaches `within` matters.
    const cutShort = first && first.to >= within.from && first.from < from + 2 * SECONDS_PER_DAY
    if (!cutShort || days === LONGEST_LOOK_BACK_DAYS) {
      return spans.filter((span) => span.to > within.from && span.from < within.to)
    }
  }
}

function spansOfDays(week: WeekPlan, from: Instant, to: Instant): Span[] {
  const firstDay = Math.floor(from / SECONDS_PER_DAY) - 1
  const lastDay = Math.floor(to / SECONDS_PER_DAY) + 2
  const zone = zoneOffsets(
    week.timeZone,
    civilDate(dayNumber(firstDay)).year,
    civilDate(dayNumber(lastDay)).year,
  )
  const byWeekday = windowsByWeekday(week.windows)
  const off = new Set<number>(week.datesOff)
  const spans: Span[] = []
  let inOrder = true
  for (let day = firstDay; day <= lastDay; day += 1) {
    if (off.has(day)) continue
    const midnight = day * SECONDS_PER_DAY
    for (const window of byWeekday[weekdayOf(dayNumber(day))]!) {
      const span = toSpan(zone, midnight, window)
      if (span.to <= span.from) continue
      const last = spans[spans.length - 1]
      if (last && span.from < last.from) inOrder = false
      spans.push(span)
    }
  }
  if (!inOrder) spans.sort((a, b) => a.from - b.from)
  return union(spans)
}

const toSpan = (zone: ZoneOffsets, midnight: number, window: WeekWindow): Span => ({
  from: localToInstant(zone, midnight + window.from * 60),
  to: localToInstant(zone, midnight + window.to * 60),
})

function windowsByWeekday(windows: readonly WeekWindow[]): WeekWindow[][] {
  const days: WeekWindow[][] = [[], [], [], [], [], [], []]
  for (const window of windows) days[window.day]!.push(window)
  for (const day of days) day.sort((a, b) => a.from - b.from)
  return days
}

/** `spans` must be in order of their starts. */
function union(spans: readonly Span[]): Span[] {
  const merged: Span[] = []
  for (const span of spans) {
    const last = merged[merged.length - 1]
    if (last && span.from <= last.to) {
      if (span.to > last.to) merged[merged.length - 1] = { from: last.from, to: span.to }
    } else merged.push(span)
  }
  return merged
}
