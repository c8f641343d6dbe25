import type { WeekPlan } from '../calendar/weekPlan.ts'
import { spansAndBefore, weekSpans } from '../calendar/weekSpans.ts'
import { instant, SECONDS_PER_DAY, type Span } from '../quantity/units.ts'
import { buildTimeline, wayFor } from './buildTimeline.ts'
import { gapReach, type GapReach } from './offPlan.ts'
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
    const on = neverOff ? [] : spansFor(week, ways, month, reach)
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
  readonly reach: GapReach
}

/** Every month of a machine has the same ways. */
const keys = new WeakMap<WaysOff, WaysKey>()

function keyOf(ways: WaysOff): WaysKey {
  let key = keys.get(ways)
  if (!key) {
    const neverOff = ways.every(({ off }) => off === 'running')
    const states = ways.map(({ off }) => off)
    const reach = gapReach(states, ways.at(-1)!.from)
    keys.set(ways, (key = { neverOff, key: neverOff ? '' : ways.map(wayKey).join(' '), reach }))
  }
  return key
}

const wayKey = (way: WayOff): string => `${way.from} ${changeKey(way)}`

const changeKey = ({ off, changes }: Pick<WayOff, 'off' | 'changes'>): string =>
  `${off} ${changes.leave} ${changes.return}`

/**
 * The times to be on that a month's timeline is made of: those that meet the month and what is kept about it, and so
 * much further as `reach` says, and the one before, where an auto-shutdown with a state of its own may begin the first
 * gap.
 */
export function spansAround(week: WeekPlan, month: Span, { back, ahead }: GapReach): Span[] {
  const { from, to } = around(month)
  const within = { from: instant(from - back), to: instant(to + ahead) }
  return week.autoShutdown?.off ? spansAndBefore(week, within) : weekSpans(week, within)
}

/** Where a run may have begun long ago, without what was over well before it began. O(spans). */
function spansFor(week: WeekPlan, ways: WaysOff, month: Span, reach: GapReach): Span[] {
  const on = spansAround(week, month, reach)
  if (reach.back === reach.ahead) return on
  const { from } = around(month)
  const gapBefore = (i: number): number => (on[i]?.from ?? Infinity) - on[i - 1]!.to
  let first = on.findIndex(({ to }) => to > from)
  if (first < 0) first = on.length
  while (first > 0 && wayFor(ways, gapBefore(first)).off === 'running') first -= 1
  // As much before it as is kept before any month, since a window can be missed while a machine goes off.
  const since = Math.min(on[first]?.from ?? from, from) - MARGIN - reach.ahead
  return on.filter(({ to }, i) => to > since || i >= first - 1)
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
