import { add, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { lengthOf } from '../quantity/units.ts'
import { askedPieces, askedTime, chargesCutAtAsked } from './askedTime.ts'
import type { Charge } from './charge.ts'
import { amountOf } from './makeCharge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { partOfCharge, type MonthPart } from './monthPart.ts'
import type { PricedMachine } from './planPricing.ts'

/** The three parts add up to the month's total; `saved` is what is missing to always on, and can be below zero. */
export type MonthSplit = Readonly<Record<MonthPart | 'saved', Exact>>

/** O(charges), and O(pieces) where a threshold such as a band falls among them. */
export function splitMonth(priced: PricedMachine): MonthSplit {
  const { resolved, estimate } = priced
  const { charges, metered, alwaysOn, total } = estimate
  const spans = askedTime(metered, resolved.week)
  const seconds = spans.reduce((sum, span) => sum + lengthOf(span), 0)
  const split: Record<MonthPart, Exact> = { kept: ZERO, asked: ZERO, leak: ZERO }
  const put = (part: MonthPart, amount: Exact): void => {
    split[part] = add(split[part], amount)
  }
  let cut: readonly Charge[] | undefined
  for (const [i, charge] of charges.entries()) {
    const { pieces, amount } = charge
    const part = partOfCharge(charge)
    if (part !== 'time') {
      put(part, amount)
      continue
    }
    const counted = countedTime(charge, metered, resolved.terms.kind === 'flat')
    const isWhole = pieces.ticks === counted.seconds * counted.ticksPerSecond
    const ticks = isWhole
      ? Math.min(pieces.ticks, seconds * counted.ticksPerSecond)
      : askedPieces((cut ??= chargesCutAtAsked(priced))[i]!.pieces.list, spans).asked.reduce(
          (sum, piece) => sum + piece.ticks,
          0,
        )
    const asked = amountOf(charge, ticks)
    put('asked', asked)
    put('leak', subtract(amount, asked))
  }
  return { ...split, saved: subtract(alwaysOn, total) }
}

/** What a charge's meter counts before any threshold cuts it. */
function countedTime(
  { meter, ticksPerSecond }: Charge,
  metered: MeteredMonth,
  isFlat: boolean,
): { readonly seconds: number; readonly ticksPerSecond: number } {
  switch (meter) {
    case 'commitment':
      return { seconds: metered.always.ticks, ticksPerSecond }
    case 'licence':
      return { seconds: metered.licence.pieces.ticks, ticksPerSecond }
    case 'compute':
      return { seconds: (isFlat ? metered.flat : metered.compute).pieces.ticks, ticksPerSecond }
    default:
      // Traffic and operations come evenly while it runs.
      return { seconds: metered.running.ticks, ticksPerSecond: 1 }
  }
}
