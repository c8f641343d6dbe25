import type { BillingMonth } from '../calendar/billingMonth.ts'
import { endsAtShutdown } from '../calendar/autoShutdown.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { shutdownState } from '../catalogue/statesSold.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { spansAround } from '../power/monthTimeline.ts'
import { LONGEST_GAP_DAYS, offIn } from '../off/offPlan.ts'
import { lengthOf, SECONDS_PER_DAY, seconds, type Seconds, type Span } from '../quantity/units.ts'

/** Gaps of one length in a week's month. */
export interface DistinctGap {
  /** 21 days stand for all that last longer: no plan tells those apart. */
  readonly length: Seconds
  /** How many of them touch the month. */
  readonly count: number
  /** How many of these lie in the month in part alone. */
  readonly inPart: number
  readonly first: Span
  /** Lengths that are meant together with this one: from halfway to the next shorter one up to halfway to the longer. */
  readonly fromMinutes: number
  readonly toMinutes: number
}

/** More would not be read. The gaps that take most of the month are kept. */
const MOST_DISTINCT = 24
const LONGEST = { back: LONGEST_GAP_DAYS * SECONDS_PER_DAY, ahead: LONGEST_GAP_DAYS * SECONDS_PER_DAY }
const LONGEST_MINUTES = LONGEST_GAP_DAYS * 24 * 60

/**
 * The gaps between a week's times to be on that touch a month, by their whole minutes, shortest first. One that is
 * longer than can be told apart, as before the first time to be on, is left out, and
 * those that do not count.
 */
export function distinctGaps(
  week: WeekPlan,
  month: BillingMonth,
  counts: (gap: Span) => boolean = () => true,
): DistinctGap[] {
  const on = spansAround(week, month, LONGEST)
  const gaps = on
    .slice(1)
    .map(({ from }, i): Span => ({ from: on[i]!.to, to: from }))
    .filter(({ from, to }) => to > month.from && from < month.to && to - from >= 60)
    .filter(counts)
  const byMinutes = new Map<number, Span[]>()
  for (const gap of gaps) {
    const minutes = Math.min(Math.floor(lengthOf(gap) / 60), LONGEST_MINUTES)
    byMinutes.set(minutes, [...(byMinutes.get(minutes) ?? []), gap])
  }
  const kept = [...byMinutes]
    .sort(([a, as], [b, bs]) => b * bs.length - a * as.length)
    .slice(0, MOST_DISTINCT)
    .sort(([a], [b]) => a - b)
  return kept.map(([minutes, same], i): DistinctGap => {
    const [shorter, longer] = [kept[i - 1]?.[0], kept[i + 1]?.[0]]
    const whole = same.filter(({ from, to }) => from >= month.from && to <= month.to)
    return {
      length: seconds(minutes * 60),
      count: same.length,
      inPart: same.length - whole.length,
      first: whole[0] ?? same[0]!,
      fromMinutes: shorter === undefined ? 0 : between(shorter, minutes),
      toMinutes: longer === undefined ? Infinity : between(minutes, longer),
    }
  })
}

/** Those in which the machine's own state counts: not what an auto-shutdown with a state of its own begins. */
export function gapsToAdvise(resolved: ResolvedMachine, month: BillingMonth): DistinctGap[] {
  const { week, index } = resolved
  const isOwn = (gap: Span): boolean => !isByShutdown(resolved, gap)
  return distinctGaps(week, month, shutdownState(week, index.book) && isOwn)
}

/** How many gaps that touch the month have the state of the auto-shutdown that begins them. */
export function gapsByShutdown(resolved: ResolvedMachine, month: BillingMonth): number {
  if (!shutdownState(resolved.week, resolved.index.book)) return 0
  const gaps = distinctGaps(resolved.week, month, (gap) => isByShutdown(resolved, gap))
  return gaps.reduce((sum, { count }) => sum + count, 0)
}

const isByShutdown = ({ machine, week }: ResolvedMachine, { from, to }: Span): boolean =>
  offIn(machine, seconds(to - from)) !== 'running' && endsAtShutdown(week, from)

/** A full hour about halfway where there is one, and otherwise the longer length itself. */
function between(shorter: number, longer: number): number {
  const halfway = Math.floor((shorter + longer) / 120) * 60
  return halfway > shorter ? halfway : longer
}
