import type { Seconds } from '../quantity/units.ts'
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

export const MOST_LONG_GAPS = 12
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

/** How far a month's neighbourhood must be known, to tell how long a gap at its ends is. */
export const longestGap = ({ longGaps }: OffPlan): number => (longGaps?.at(-1)?.fromMinutes ?? 0) * 60

/** Fit for comparison, and for a key. */
export const offPlanKey = ({ off, longGaps = [] }: OffPlan): string =>
  [off, ...longGaps.map((long) => `${long.fromMinutes}-${long.off}`)].join('-')
