import { localDays } from '../calendar/localDays.ts'
import type { DayNumber } from '../calendar/civil.ts'
import type { Phase } from '../power/powerState.ts'
import { secondsByPhase } from '../power/timeline.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import type { Seconds, Span } from '../quantity/units.ts'
import { amountOf } from './makeCharge.ts'
import type { Estimate } from './estimateMachine.ts'
import { ticksWithin } from './pieces.ts'

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
export function dailyCosts({ month, charges, metered }: Estimate, timeZone: string): DailyCost[] {
  return localDays(month, timeZone).map(({ day, span }) => {
    let machineTime = ZERO
    let floor = ZERO
    for (const charge of charges) {
      let ticks = 0
      for (const piece of charge.pieces.list) ticks += ticksWithin(piece, span)
      const part = amountOf(charge, ticks)
      if (charge.meter === 'compute' || charge.meter === 'licence') machineTime = add(machineTime, part)
      else floor = add(floor, part)
    }
    return { day, span, machineTime, floor, phases: secondsByPhase(metered.timeline.segments, span) }
  })
}
