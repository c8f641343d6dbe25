import { localDays } from '../calendar/localDays.ts'
import type { DayNumber } from '../calendar/civil.ts'
import type { Phase } from '../off/powerState.ts'
import { secondsByPhase } from '../power/timeline.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import type { Seconds, Span } from '../quantity/units.ts'
import { chargesWithin } from './chargesWithin.ts'
import type { Estimate } from './estimateMachine.ts'

/** One local day's share of the month. Days sum exactly to the month's total. */
export interface DailyCost {
  readonly day: DayNumber
  /** The part of the day that lies in the billing month; 23 or 25 hours where clocks change. */
  readonly span: Span
  /** Compute and licence. */
  readonly machineTime: Exact
  /** Everything else: what remains when off. */
  readonly floor: Exact
  readonly phases: ReadonlyMap<Phase, Seconds>
}

/**
 * The month by local days of `timeZone`. Where the provider's month begins in another zone, the first and the last
 * day are parts of a day. What rounding adds to a run falls on the day on which the run ends.
 */
export function dailyCosts(estimate: Estimate, timeZone: string): DailyCost[] {
  const { month, metered } = estimate
  return localDays(month, timeZone).map(({ day, span }) => {
    let machineTime = ZERO
    let floor = ZERO
    for (const { charge, amount } of chargesWithin(estimate, span)) {
      if (charge.meter === 'compute' || charge.meter === 'licence') machineTime = add(machineTime, amount)
      else floor = add(floor, amount)
    }
    return { day, span, machineTime, floor, phases: secondsByPhase(metered.timeline.segments, span) }
  })
}
