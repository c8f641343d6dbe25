import type { WeekPlan } from '../calendar/weekPlan.ts'
import { spansAndBefore, weekSpans } from '../calendar/weekSpans.ts'
import { instant, SECONDS_PER_DAY, type Span } from '../quantity/units.ts'
import { buildTimeline } from './buildTimeline.ts'
import { gapReach } from './offPlan.ts'
import type { Segment, ShutdownOff, WayOff, WaysOff } from './timeline.ts'

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
const memo = new WeakMap<object, Map<string, MonthTimeline>>()
const MOST_KEPT = 2_000

/** Never off is the same for every week. */
const NEVER_OFF: object = {}

export function monthTimeline(
  week: WeekPlan,
  ways: WaysOff,
  month: Span,
  shutdown?: ShutdownOff,
): MonthTimeline {
  const { neverOff, key: ofWays, reach } = keyOf(ways)
  const ofWeek = memoOf(neverOff ? NEVER_OFF : week)
  const key = `${ofWays} ${shutdown ? changeKey(shutdown) : ''} ${month.from} ${month.to}`
  let timeline = ofWeek.get(key)
  if (!timeline) {
    const on = neverOff ? [] : spansAround(week, month, reach)
    ofWeek.set(key, (timeline = timelineOf(on, ways, month, shutdown)))
  }
  return timeline
}

function memoOf(of: object): Map<string, MonthTimeline> {
  let timelines = memo.get(of)
  if (!timelines) memo.set(of, (timelines = new Map()))
  // A page that is open for days asks for many months.
  if (timelines.size > MOST_KEPT) timelines.clear()
  return timelines
}

interface WaysKey {
  readonly neverOff: boolean
  readonly key: string
  /** How far about a month a week must be known, in seconds. */
  readonly reach: number
}

/** Every month of a machine has the same ways. */
const keys = new WeakMap<WaysOff, WaysKey>()

function keyOf(ways: WaysOff): WaysKey {
  let key = keys.get(ways)
  if (!key) {
    const neverOff = ways.every(({ off }) => off === 'running')
    const last = ways.at(-1)!
    const reach = gapReach(last.from, last.off)
    keys.set(ways, (key = { neverOff, key: neverOff ? '' : ways.map(wayKey).join(' '), reach }))
  }
  return key
}

const wayKey = (way: WayOff): string => `${way.from} ${changeKey(way)}`

const changeKey = ({ off, changes }: Pick<WayOff, 'off' | 'changes'>): string =>
  `${off} ${changes.leave} ${changes.return}`

/**
 * The times to be on that a month's timeline is made of: those that meet the month and what is kept about it, and so
 * much further, `reach` seconds, that it is known of each gap how long it lasts, of each run when it began, and whether an auto-shutdown
 * with a state of its own begins it.
 */
export function spansAround(week: WeekPlan, month: Span, reach: number): Span[] {
  const { from, to } = around(month)
  const within = { from: instant(from - reach), to: instant(to + reach) }
  return week.autoShutdown?.off ? spansAndBefore(week, within) : weekSpans(week, within)
}

const around = (month: Span): Span => ({
  from: instant(month.from - MARGIN),
  to: instant(month.to + MARGIN),
})

/** The same of any times to be on, in order and apart from each other. */
export function timelineOf(
  on: readonly Span[],
  ways: WaysOff,
  month: Span,
  shutdown?: ShutdownOff,
): MonthTimeline {
  const { from, to } = around(month)
  const within = { from: instant(Math.min(from, on[0]?.from ?? from)), to }
  return { month, segments: buildTimeline({ on, ways, shutdown, within }) }
}
