import { endsAtShutdown, shutdownAfter } from '../calendar/autoShutdown.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { spansAndBefore, weekSpans } from '../calendar/weekSpans.ts'
import { instant, type Instant, type Span } from '../quantity/units.ts'

/** What a switch does. */
export interface Switch {
  readonly to: 'on' | 'off'
  /**
   * Which state machines go into, or come back from: that of gaps from so many minutes on, the longest step that the
   * gap reaches. 0 for short ones.
   */
  readonly gapFrom: number
  /** The gap is one that an auto-shutdown begins which has a state of its own. */
  readonly byShutdown?: true
}

/** Switches with the same key do the same. */
export const switchKey = ({ to, gapFrom, byShutdown }: Switch): string =>
  `${to} ${gapFrom} ${byShutdown ? 'shutdown' : ''}`

/** When the machines of a week are switched. */
export interface Transition extends Switch {
  readonly at: Instant
}

export interface SwitchOptions {
  /** Minutes from which gaps are told apart, shortest first. */
  readonly steps?: readonly number[]
  /** At each auto-shutdown of the week also switch off what is planned to be off, in case someone switched it on. */
  readonly safetyNet?: boolean
}

/** Every switch inside `within`, its first instant included and its last not, in time order. */
export function transitionsOf(
  week: WeekPlan,
  within: Span,
  { steps = [], safetyNet = false }: SwitchOptions = {},
): Transition[] {
  // So far that it is known of each gap which step it reaches, and that a run which ends at the very beginning is seen.
  const reach = (steps.at(-1) ?? 0) * 60 + 1
  const around = { from: instant(within.from - reach), to: instant(within.to + reach) }
  const hasState = week.autoShutdown?.off !== undefined
  // What begins a gap matters then, and not only where it ends.
  const spans = hasState ? spansAndBefore(week, around) : weekSpans(week, around)
  const shut: Pick<Switch, 'byShutdown'> = hasState ? { byShutdown: true } : {}
  const found: Transition[] = []
  for (let i = 0; i <= spans.length; i += 1) {
    const gap = { from: spans[i - 1]?.to ?? -Infinity, to: spans[i]?.from ?? Infinity }
    const gapFrom = steps.findLast((step) => gap.to - gap.from >= step * 60) ?? 0
    const by = i > 0 && hasState && endsAtShutdown(week, instant(gap.from)) ? shut : {}
    if (i > 0) found.push({ at: instant(gap.from), to: 'off', gapFrom, ...by })
    if (safetyNet) {
      for (const at of shutdownsWithin(
        week,
        Math.max(gap.from, within.from - 1),
        Math.min(gap.to, within.to),
      )) {
        found.push({ at, to: 'off', gapFrom, ...shut })
      }
    }
    if (i < spans.length) found.push({ at: instant(gap.to), to: 'on', gapFrom, ...by })
  }
  return found.filter(({ at }) => at >= within.from && at < within.to)
}

/** After `from` and before `to`. */
function shutdownsWithin(week: WeekPlan, from: number, to: number): Instant[] {
  const found: Instant[] = []
  for (
    let at = shutdownAfter(week, instant(from));
    at !== undefined && at < to;
    at = shutdownAfter(week, at)
  ) {
    found.push(at)
  }
  return found
}
