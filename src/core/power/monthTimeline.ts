import type { WeekPlan } from '../calendar/weekPlan.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import { instant, SECONDS_PER_DAY, type Span } from '../quantity/units.ts'
import { buildTimeline } from './buildTimeline.ts'
import type { Segment, WayOff, WaysOff } from './timeline.ts'

/**
 * A machine's phases over a month and a little more on both sides, so that a run that crosses the month's ends is
 * known whole.
 */
export interface MonthTimeline {
  readonly month: Span
  /** Without gap or overlap; begins at least two days before the month and ends two days after it. */
  readonly segments: readonly Segment[]
}

const MARGIN = 2 * SECONDS_PER_DAY

/** A pure memo: machines share week plans, and one machine's plates ask for the same timeline over and over. */
const memo = new WeakMap<WeekPlan, Map<string, MonthTimeline>>()

export function monthTimeline(week: WeekPlan, ways: WaysOff, month: Span): MonthTimeline {
  const key = `${ways.map(keyOf).join(' ')} ${month.from} ${month.to}`
  let ofWeek = memo.get(week)
  if (!ofWeek) memo.set(week, (ofWeek = new Map()))
  let timeline = ofWeek.get(key)
  if (!timeline) ofWeek.set(key, (timeline = makeTimeline(week, ways, month)))
  return timeline
}

const keyOf = ({ from, off, changes }: WayOff): string => `${from} ${off} ${changes.leave} ${changes.return}`

function makeTimeline(week: WeekPlan, ways: WaysOff, month: Span): MonthTimeline {
  const neverOff = ways.every(({ off }) => off === 'running')
  return timelineOf(neverOff ? [] : spansAround(week, month, ways.at(-1)!.from), ways, month)
}

/**
 * The times to be on that a month's timeline is made of: those that meet the month and what is kept about it, and so
 * much further that it is known of each gap whether it lasts at least `longest` seconds.
 */
export const spansAround = (week: WeekPlan, month: Span, longest: number): Span[] => {
  const { from, to } = around(month)
  return weekSpans(week, { from: instant(from - longest), to: instant(to + longest) })
}

const around = (month: Span): Span => ({
  from: instant(month.from - MARGIN),
  to: instant(month.to + MARGIN),
})

/** The same of any times to be on, in order and apart from each other. */
export function timelineOf(on: readonly Span[], ways: WaysOff, month: Span): MonthTimeline {
  const { from, to } = around(month)
  const within = { from: instant(Math.min(from, on[0]?.from ?? from)), to }
  return { month, segments: buildTimeline({ on, ways, within }) }
}
