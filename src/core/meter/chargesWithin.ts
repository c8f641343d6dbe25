import type { Exact } from '../quantity/exact.ts'
import type { Span } from '../quantity/units.ts'
import type { Charge } from './charge.ts'
import type { Estimate } from './estimateMachine.ts'
import { amountOf } from './makeCharge.ts'
import { ticksWithin } from './pieces.ts'

/** A part of a charge. */
export interface PartOfCharge {
  readonly charge: Charge
  readonly ticks: number
  readonly amount: Exact
}

/**
 * What of each charge falls into a span of its month; parts without ticks are left out. Over spans that cover the month
 * they add up exactly to the charges. What rounding adds to a run falls on the instant at which the run ends.
 */
export const chargesWithin = ({ charges }: Pick<Estimate, 'charges'>, span: Span): PartOfCharge[] =>
  charges.flatMap((charge) => {
    let ticks = 0
    for (const piece of charge.pieces.list) ticks += ticksWithin(piece, span)
    return ticks === 0 ? [] : [{ charge, ticks, amount: amountOf(charge, ticks) }]
  })
