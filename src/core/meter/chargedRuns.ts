import type { Phase } from '../off/powerState.ts'
import type { MonthTimeline } from '../power/monthTimeline.ts'
import { instant, seconds, type Seconds, type Span } from '../quantity/units.ts'

export interface RunRule {
  readonly minimumSeconds: number
  readonly incrementSeconds: number
}

/** What a month is charged for time spent in phases that a meter charges. */
export interface ChargedTime extends RunRule {
  /** True seconds inside the month plus what rounding added. */
  readonly charged: Seconds
  readonly trueTime: Seconds
  /** Added by the minimum and the increment to runs that end in the month. */
  readonly added: Seconds
  /** Unbroken stays that meet the month. */
  readonly runs: number
}

/** One unbroken stay in charged phases, cut to the month. */
export interface ChargedRun extends Span {
  /** Added at its end, where it ends in this month. */
  readonly added: Seconds
}

/** charged seconds = ceil(max(length, minimum) / increment) × increment. */
export const chargedLength = (length: number, { minimumSeconds, incrementSeconds }: RunRule): Seconds =>
  seconds(Math.ceil(Math.max(length, minimumSeconds) / incrementSeconds) * incrementSeconds)

/**
 * The runs of a month in time order. A run over the month's end is split there by its true seconds; what rounding
 * adds belongs to the month in which the run ends.
 */
export function chargedRuns(
  { segments, month }: MonthTimeline,
  isCharged: (phase: Phase) => boolean,
  rule: RunRule,
): ChargedRun[] {
  const runs: ChargedRun[] = []
  const close = (from: number, to: number, ended: boolean): void => {
    if (to <= month.from || from >= month.to) return
    const endsInMonth = ended && to <= month.to
    runs.push({
      from: instant(Math.max(from, month.from)),
      to: instant(Math.min(to, month.to)),
      added: seconds(endsInMonth ? chargedLength(to - from, rule) - (to - from) : 0),
    })
  }
  let from: number | undefined
  for (const segment of segments) {
    if (isCharged(segment.phase)) from ??= segment.from
    else if (from !== undefined) {
      close(from, segment.from, true)
      from = undefined
    }
  }
  if (from !== undefined) close(from, segments[segments.length - 1]!.to, false)
  return runs
}

export function chargedTime(runs: readonly ChargedRun[], rule: RunRule): ChargedTime {
  let trueTime = 0
  let added = 0
  for (const run of runs) {
    trueTime += run.to - run.from
    added += run.added
  }
  return {
    charged: seconds(trueTime + added),
    trueTime: seconds(trueTime),
    added: seconds(added),
    runs: runs.length,
    minimumSeconds: rule.minimumSeconds,
    incrementSeconds: rule.incrementSeconds,
  }
}
