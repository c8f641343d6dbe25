import type { BillingMonth } from '../calendar/billingMonth.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { lostByItself } from '../fit/lostWhenOff.ts'
import type { Keep } from '../machine/needs.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { slowestReturn } from '../machine/slowestReturn.ts'
import { chargeMachine } from '../meter/chargeMachine.ts'
import { meterMachine } from '../meter/meterMachine.ts'
import { chargesWithin } from '../meter/chargesWithin.ts'
import { withOff } from '../machine/whenOff.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { offIn, withOffBetween, withOffPlan, type OffPlan } from '../off/offPlan.ts'
import { POWER_STATES, type OffState } from '../off/powerState.ts'
import { add, compare, ZERO, type Exact } from '../quantity/exact.ts'
import { instant, SECONDS_PER_HOUR, type Span } from '../quantity/units.ts'
import { type DistinctGap, gapsToAdvise } from './distinctGaps.ts'

/** One way to be off in the gaps of one length. */
export interface WayForGap {
  readonly off: OffState
  /** The machine's month, with gaps of this length in that state and all others as they are. */
  readonly total: Exact
  /** What of it falls on the first of these gaps: from when it goes off until it is surely back, whichever way. */
  readonly eachTime: Exact
  /** Why the machine cannot be off in this way, or may not by its needs; empty where it may. */
  readonly reasons: readonly FitReason[]
  readonly lost: readonly Keep[]
  /** The machine's longer gaps that the provider may end by itself. */
  readonly mayEnd: boolean
}

export interface GapAdvice extends DistinctGap {
  readonly present: OffState
  /** All states that the provider has, cheapest first. */
  readonly ways: readonly WayForGap[]
  /** The first way that will do. */
  readonly best: WayForGap | undefined
}

/**
 * For each distinct gap of the month every way to be off, priced by the one meter with the whole month around it:
 * rates, waking, minimums, begun hours, memory on disk, restoring from snapshots. Shortest gaps first; empty where the
 * machine has no price. O(gaps × states) months.
 */
export function gapAdvice(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared?: SharedAccount,
): readonly GapAdvice[] {
  const states = POWER_STATES.filter((off) => resolved.index.book.states[off])
  return gapsToAdvise(resolved, month).flatMap((gap): GapAdvice[] => {
    const ways = states.flatMap((off) => pricedWay(resolved, gap, off, month, shared) ?? [])
    if (ways.length === 0) return []
    ways.sort((a, b) => compare(a.total, b.total))
    const best = ways.find(({ reasons, mayEnd }) => reasons.length === 0 && !mayEnd)
    return [{ ...gap, present: offIn(resolved.machine, gap.length), ways, best }]
  })
}

/** The machine's way to be off with gaps of one length in another state. */
export const planFor = (plan: OffPlan, { fromMinutes, toMinutes }: DistinctGap, off: OffState): OffPlan =>
  withOffBetween(plan, fromMinutes, toMinutes, off)

function pricedWay(
  resolved: ResolvedMachine,
  gap: DistinctGap,
  off: OffState,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): WayForGap | undefined {
  const changed = withPlan(resolved, planFor(resolved.machine, gap, off))
  const total = machineTotal(changed, month, shared)
  if (!total) return undefined
  const alone = withOff(resolved, off)
  return {
    off,
    total,
    eachTime: costWithin(changed, surelyBack(resolved, gap.first), month, shared),
    reasons: fitReasons(alone, 'off'),
    lost: lostByItself(alone),
    mayEnd: mayEnd(resolved, gap, off),
  }
}

/** Hibernation that is longer than the provider promises to keep up. */
function mayEnd({ index }: ResolvedMachine, { length }: DistinctGap, off: OffState): boolean {
  const most = index.book.hibernation?.longestStayHours
  return off === 'hibernated' && most !== undefined && length > most * SECONDS_PER_HOUR
}

/** Whether the machine can be off in this way in such a gap, and may by its needs. */
export const willDo = (resolved: ResolvedMachine, gap: DistinctGap, off: OffState): boolean =>
  !mayEnd(resolved, gap, off) && fitReasons(withOff(resolved, off), 'off').length === 0

export const withPlan = (resolved: ResolvedMachine, plan: OffPlan): ResolvedMachine => ({
  ...resolved,
  machine: withOffPlan(resolved.machine, plan),
})

function costWithin(
  resolved: ResolvedMachine,
  span: Span,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Exact {
  const charges = chargeMachine(resolved, meterMachine(resolved, month), month, shared)
  if (!charges.ok) return ZERO
  return chargesWithin({ charges: charges.value }, span).reduce((sum, { amount }) => add(sum, amount), ZERO)
}

/** The gap and as long as the slowest way takes to come back, so that all ways are compared over the same time. */
const surelyBack = (resolved: ResolvedMachine, { from, to }: Span): Span => ({
  from,
  to: instant(to + slowestReturn(resolved, POWER_STATES)),
})
