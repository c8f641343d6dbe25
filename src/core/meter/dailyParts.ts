import type { Span } from '../quantity/units.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { chargesWithin } from './chargesWithin.ts'
import type { MonthPart } from './monthPart.ts'
import { partedCharges } from './partedCharges.ts'
import type { PricedMachine } from './planPricing.ts'

/** What a machine's month is paid for, by spans in order; over spans that cover it they add up to `splitMonth`. O(pieces × spans). */
export function dailyParts(
  priced: PricedMachine,
  spans: readonly Span[],
): Readonly<Record<MonthPart, Exact>>[] {
  const parted = partedCharges(priced)
  const charges = parted.map(({ charge }) => charge)
  const partOf = new Map(parted.map(({ charge, part }) => [charge, part]))
  return spans.map((span) => {
    const sums: Record<MonthPart, Exact> = { kept: ZERO, asked: ZERO, leak: ZERO }
    for (const { charge, amount } of chargesWithin({ charges }, span)) {
      const part = partOf.get(charge)!
      sums[part] = add(sums[part], amount)
    }
    return sums
  })
}
