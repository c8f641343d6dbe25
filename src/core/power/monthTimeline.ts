import type { WeekPlan } from '../calendar/weekPlan.ts'
import { LONGEST_LOOK_BACK_DAYS, spansAndBefore, weekSpans } from '../calendar/weekSpans.ts'
import { instant, SECONDS_PER_DAY, type Instant, type Span } from '../quantity/units.ts'
import { keptFor } from '../keptFor.ts'
import { buildTimeline } from './buildTimeline.ts'
import { STATE_OF_PHASE, type PowerState } from '../off/powerState.ts'
import { RUN_METERS, type Segment, type ShutdownOff, type WayOff, type WaysOff } from './timeline.ts'

/**
 * A machine's phases over a month and a little more on both sides, so that a run that crosses the month's ends is
 * known whole.
 */
export interface MonthTimeline {
  readonly month: Span
  /**
   * Without gap or overlap; from at least two days before the month to two days after it, and from so far back that the
   * run which meets the month's beginning is known from its own.
   */
  readonly segments: readonly Segment[]
  /** The times to be on that it was made of; none for a machine that is never off. */
  readonly on: readonly Span[]
  /** When it runs for the first time, where it is off as deleted until then. */
  readonly firstStart?: Instant
}

const MARGIN = 2 * SECONDS_PER_DAY
/** What began earlier is charged as if it had begun then. */
const LONGEST_RUN = LONGEST_LOOK_BACK_DAYS * SECONDS_PER_DAY

/** Machines share week plans, and one machine's plates ask for the same timeline over and over. */
const timelinesOf: (week: object) => Map<string, MonthTimeline> = keptFor(() => new Map())
const MOST_KEPT = 2_000
/** Never off is the same for every week. */
const NEVER_OFF: object = {}

/** `isEnded`: the machine is deleted about then, which ends runs that nothing else does. */
export function monthTimeline(
  week: WeekPlan,
  ways: WaysOff,
  month: Span,
  shutdown?: ShutdownOff,
  isEnded = false,
): MonthTimeline {
  const { isNeverOff, key: ofWays } = keyOf(ways)
  const ofWeek = timelinesOf(isNeverOff ? NEVER_OFF : week)
  const key = `${ofWays} ${shutdown ? changeKey(shutdown) : ''} ${month.from} ${month.to} ${isEnded ? 'ended' : ''}`
  let timeline = ofWeek.get(key)
  if (!timeline) {
    timeline = isNeverOff ? timelineOf([], ways, month) : timelineOfWeek(week, ways, month, shutdown, isEnded)
    // A page that is open for days asks for many months.
    if (ofWeek.size > MOST_KEPT) ofWeek.clear()
    ofWeek.set(key, timeline)
  }
  return timeline
}

/** Every month of a machine has the same ways. */
const keyOf = keptFor((ways: WaysOff) => {
  const isNeverOff = ways.every(({ off }) => off === 'running')
  return { isNeverOff, key: isNeverOff ? '' : ways.map(wayKey).join(' ') }
})

const wayKey = (way: WayOff): string => `${way.from} ${changeKey(way)}`
const changeKey = ({ off, changes, charged }: Pick<WayOff, 'off' | 'changes' | 'charged'>): string =>
  `${off} ${changes.leave} ${changes.return} ${charged.join('+')}`

/** How far before and after a month a week must be known, in seconds. */
interface GapReach {
  readonly back: number
  readonly ahead: number
}

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

/**
 * Looks back until it is known when the runs that meet the month's beginning began: they may go through gaps in states
 * that are charged, each meter's by itself, and through gaps too short to go off in. Usually a few days; at most 400.
 * A run that goes through every gap matters where the machine is deleted. O(days looked at).
 */
function timelineOfWeek(
  week: WeekPlan,
  ways: WaysOff,
  month: Span,
  shutdown: ShutdownOff | undefined,
  isEnded: boolean,
): MonthTimeline {
  const all = [...ways, ...(shutdown ? [shutdown] : [])]
  const breaks = RUN_METERS.map((meter) => statesOf(all.filter(({ charged }) => !charged.includes(meter))))
  const uncharged = breaks.filter((states) => states.size > 0)
  const isEndless = isEnded && uncharged.length < breaks.length
  // How long each gap at the month's ends is must be known too.
  const longest = ways.at(-1)!.from
  for (let look = MARGIN; ; look *= 5) {
    const back = Math.min(look, LONGEST_RUN)
    const on = spansAround(week, month, { back: back + longest, ahead: longest })
    const timeline = timelineOf(on, ways, month, shutdown)
    const sure = sureFrom(on, instant(around(month).from - back - longest), ways, shutdown)
    const isFarEnough = back === LONGEST_RUN || timeline.segments[0]!.from <= month.from - LONGEST_RUN
    const isKnown = (): boolean =>
      !isEndless &&
      sure <= month.from &&
      uncharged.every((states) => isBeginningKnown(timeline, states, sure))
    if (isFarEnough || isKnown()) return isEndless ? timeline : withoutPast(timeline, uncharged)
  }
}

/**
 * From when on what is not known, before `looked`, changes nothing. A machine that goes off misses windows and comes back
 * late, and so one window depends on those before it: until one opens so long after the last that all changes are over.
 * Where nothing opens for so long after `looked`, the gap that is there then is known too, if every gap is spent in the
 * same way: else it can be that of a window that was missed before. O(windows).
 */
function sureFrom(
  on: readonly Span[],
  looked: Instant,
  ways: WaysOff,
  shutdown: ShutdownOff | undefined,
): number {
  const longestChange = [...ways, ...(shutdown ? [shutdown] : [])].reduce(
    (most, { changes }) => Math.max(most, changes.leave + changes.return),
    0,
  )
  const first = on[0]?.from ?? Infinity
  if (ways.length === 1 && !shutdown && first - looked >= longestChange) return -Infinity
  const at = on.findIndex(({ from }, i) => from - (on[i - 1]?.to ?? looked) >= longestChange)
  return on[at]?.from ?? Infinity
}

/** As far back as is looked for when a run began. */
export const earliestLooked = (month: Span, ways: WaysOff): Instant =>
  instant(around(month).from - LONGEST_RUN - ways.at(-1)!.from)

const statesOf = (ways: readonly Pick<WayOff, 'off'>[]): ReadonlySet<PowerState> =>
  new Set(ways.map(({ off }) => off))

/** Whether it is off and uncharged, for sure, before the month or at its beginning. */
const isBeginningKnown = (
  { segments, month }: MonthTimeline,
  uncharged: ReadonlySet<PowerState>,
  sure: number,
): boolean =>
  segments.some(
    ({ phase, from }) => from >= sure && from <= month.from && uncharged.has(STATE_OF_PHASE[phase]),
  )

/** Without what was over before the last time that each meter was off, before what is kept of any month. */
function withoutPast(timeline: MonthTimeline, uncharged: readonly ReadonlySet<PowerState>[]): MonthTimeline {
  const { from } = around(timeline.month)
  const last = (states: ReadonlySet<PowerState>): number =>
    timeline.segments.findLastIndex(
      (segment) => segment.from <= from && states.has(STATE_OF_PHASE[segment.phase]),
    )
  const first = uncharged.reduce((least, states) => Math.min(least, last(states)), Infinity)
  return first > 0 && first < Infinity ? { ...timeline, segments: timeline.segments.slice(first) } : timeline
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
  return { month, segments: buildTimeline({ on, ways, shutdown, within }), on }
}
