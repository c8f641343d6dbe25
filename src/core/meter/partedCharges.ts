import { askedPieces, askedTime, chargesCutAtAsked } from './askedTime.ts'
import type { Charge } from './charge.ts'
import { amountOf } from './makeCharge.ts'
import { MONTH_PARTS, partOfCharge, type MonthPart } from './monthPart.ts'
import { piecesLater, type Piece } from './pieces.ts'
import type { PricedMachine } from './planPricing.ts'

export interface PartedCharge {
  readonly part: MonthPart
  readonly charge: Charge
}

/**
 * A machine's charges by what they were for, part by part and in the order of the bill within: those of time are cut in
 * two. Amounts of each part add up to that of `splitMonth`, and rounded in this order to the same figures. O(pieces).
 */
export function partedCharges(priced: PricedMachine): PartedCharge[] {
  const { resolved, estimate } = priced
  const spans = askedTime(estimate.metered, resolved.week)
  const { charges } = estimate
  const all = chargesCutAtAsked(priced).flatMap((charge, i): PartedCharge[] => {
    const part = partOfCharge(charge)
    if (part !== 'time') return [{ part, charge: charges[i]! }]
    const { asked, leak } = askedPieces(charge.pieces.list, spans)
    return [
      { part: 'asked', charge: withPieces(charge, asked) } as const,
      { part: 'leak', charge: withPieces(charge, leak) } as const,
    ].filter(({ charge: { pieces } }) => pieces.ticks > 0)
  })
  return MONTH_PARTS.flatMap((part) => all.filter((each) => each.part === part))
}

function withPieces(charge: Charge, list: readonly Piece[]): Charge {
  const ticks = list.reduce((sum, piece) => sum + piece.ticks, 0)
  return { ...charge, pieces: piecesLater(ticks, () => list), amount: amountOf(charge, ticks) }
}
