import { seconds, type Seconds } from '../quantity/units.ts'
import type { OffState } from './powerState.ts'

/** What a machine is between its times to be on: one state, or another one in gaps that are long enough. */
export interface OffPlan {
  readonly off: OffState
  /** Shortest first. */
  readonly longGaps?: readonly LongGap[]
}

/** In a gap that lasts at least so long, from one planned time to be on to the next, the machine is in this state. */
export interface LongGap {
  readonly fromMinutes: number
  readonly off: OffState
}

export const MOST_LONG_GAPS = 48
export const LONGEST_GAP_DAYS = 21

/** The state of a gap of this length. O(long gaps). */
export function offIn({ off, longGaps = [] }: OffPlan, gap: Seconds): OffState {
  let state = off
  for (const long of longGaps) if (gap >= long.fromMinutes * 60) state = long.off
  return state
}

/** Every state that a gap can have, each once; the one of short gaps first. */
export const offStates = ({ off, longGaps }: OffPlan): readonly OffState[] =>
  longGaps ? [...new Set([off, ...longGaps.map((long) => long.off)])] : [off]

export const isNeverOff = (plan: OffPlan): boolean => offStates(plan).every((off) => off === 'running')

/** A machine that is off in this way, and in every other respect as it was. */
export function withOffPlan<M extends OffPlan>(machine: M, { off, longGaps }: OffPlan): M {
  if (machine.off === off && machine.longGaps === longGaps) return machine
  const { longGaps: before, ...rest } = machine
  return { ...rest, off, ...(longGaps && { longGaps }) } as M
}

export const offPlanOf = ({ off, longGaps }: OffPlan): OffPlan => (longGaps ? { off, longGaps } : { off })

/**
 * The same, but in this state where a gap lasts at least `fromMinutes` and less than `toMinutes`. Gaps of other lengths
 * stay as they are. O(long gaps).
 */
export function withOffBetween(
  plan: OffPlan,
  fromMinutes: number,
  toMinutes: number,
  off: OffState,
): OffPlan {
  const at = (minutes: number): OffState => offIn(plan, seconds(minutes * 60))
  const known = [0, ...(plan.longGaps ?? []).map((long) => long.fromMinutes)]
  const steps = [
    ...known.filter((minutes) => minutes < fromMinutes).map((minutes) => ({ minutes, off: at(minutes) })),
    { minutes: fromMinutes, off },
    ...(toMinutes === Infinity ? [] : [{ minutes: toMinutes, off: at(toMinutes) }]),
    ...known.filter((minutes) => minutes > toMinutes).map((minutes) => ({ minutes, off: at(minutes) })),
  ]
  const changes = steps.filter((step, i) => i === 0 || step.off !== steps[i - 1]!.off)
  const longGaps = changes.slice(1).map((step) => ({ fromMinutes: step.minutes, off: step.off }))
  return { off: changes[0]!.off, ...(longGaps.length > 0 && { longGaps }) }
}

/** Fit for comparison, and for a key. */
export const offPlanKey = ({ off, longGaps = [] }: OffPlan): string =>
  [off, ...longGaps.map((long) => `${long.fromMinutes}-${long.off}`)].join('-')
