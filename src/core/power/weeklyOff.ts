import type { AutoShutdown } from '../calendar/autoShutdown.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../calendar/weekPlan.ts'
import { seconds } from '../quantity/units.ts'
import { offIn, type OffPlan } from '../off/offPlan.ts'
import type { OffState } from '../off/powerState.ts'

/** A stretch of one day of the week in which a machine is off. */
export interface WeeklyOff {
  readonly day: number
  /** Minutes after midnight. */
  readonly from: number
  readonly to: number
  readonly off: OffState
}

const MINUTES_PER_WEEK = 7 * MINUTES_PER_DAY

/**
 * The state of each gap of a week without clock changes or exceptions, cut at midnights. Where one state is enough, whole
 * days: windows are drawn over them. `shutdown` is one on the week's own clock. O(windows × log windows).
 */
export function weeklyOff(
  windows: readonly WeekWindow[],
  plan: OffPlan,
  shutdown?: Pick<AutoShutdown, 'minute' | 'days' | 'off'>,
): WeeklyOff[] {
  const byShutdown = shutdown?.off
  const gaps = plan.longGaps || byShutdown ? gapsOf(windows) : undefined
  if (!gaps) return byDay(0, MINUTES_PER_WEEK, plan.longGaps ? offIn(plan, seconds(Infinity)) : plan.off)
  return gaps.flatMap(({ from, to, runFrom }) => {
    const own = offIn(plan, seconds((to - from) * 60))
    const ends = byShutdown && own !== 'running' && isShutWithin(shutdown, runFrom, from)
    return byDay(from, to, ends ? byShutdown : own)
  })
}

/** Whether a shutdown of some week falls into a run, its first minute left out and its last one counted. */
const isShutWithin = ({ days, minute }: Pick<AutoShutdown, 'minute' | 'days'>, from: number, to: number) =>
  days.some((day) => {
    const first = day * MINUTES_PER_DAY + minute
    const next = first + Math.ceil((from + 1 - first) / MINUTES_PER_WEEK) * MINUTES_PER_WEEK
    return next <= to
  })

/** Minutes after Monday; one may end in the next week, and the run before it may begin in the last. */
interface WeeklyGap {
  readonly from: number
  readonly to: number
  readonly runFrom: number
}

/** Gaps of a week that repeats; none of a week without windows. */
function gapsOf(windows: readonly WeekWindow[]): WeeklyGap[] | undefined {
  if (windows.length === 0) return undefined
  const spans = windows
    .map(({ day, from, to }) => ({ from: day * MINUTES_PER_DAY + from, to: day * MINUTES_PER_DAY + to }))
    .sort((a, b) => a.from - b.from)
  const next = { from: spans[0]!.from + MINUTES_PER_WEEK }
  // A window of the last days may reach into the first ones of the next week.
  let end = Math.max(...spans.map(({ to }) => to)) - MINUTES_PER_WEEK
  let runFrom = spans.find(({ to }) => to - MINUTES_PER_WEEK === end)!.from - MINUTES_PER_WEEK
  const gaps: WeeklyGap[] = []
  for (const [i, span] of [...spans, next].entries()) {
    if (i > 0 && span.from > end) gaps.push({ from: end, to: span.from, runFrom })
    if (span.from > end) runFrom = span.from
    end = Math.max(end, spans[i]?.to ?? end)
  }
  return gaps
}

function byDay(from: number, to: number, off: OffState): WeeklyOff[] {
  const parts: WeeklyOff[] = []
  for (let at = from; at < to;) {
    const midnight = (Math.floor(at / MINUTES_PER_DAY) + 1) * MINUTES_PER_DAY
    const end = Math.min(midnight, to)
    const day = Math.floor(at / MINUTES_PER_DAY)
    const start = at - day * MINUTES_PER_DAY
    parts.push({ day: day % 7, from: start, to: start + end - at, off })
    at = end
  }
  return parts
}
