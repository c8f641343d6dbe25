import { keptFor } from '../keptFor.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { divide, sign, subtract, type Exact } from '../quantity/exact.ts'
import { rate, type Rate } from '../quantity/rate.ts'
import type { Charge } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { makeCharge } from './makeCharge.ts'

/** A rule over what all parts of a machine come to in a month; nothing where it has no say. */
type SumRule = (sum: Exact, context: ChargeContext) => Charge | undefined

const RULES: readonly SumRule[] = [minimumCharge]

/** Charges that follow from the sum of a machine's other charges. */
export const sumCharges = (sum: Exact, context: ChargeContext): Charge[] =>
  RULES.flatMap((rule) => rule(sum, context) ?? [])

/** A book's minimum, read from its text once. */
const minimumOf = keptFor(({ billing: { minimumPerMachineMonth: text } }: PriceBook) => ({
  rate: text === undefined ? undefined : rate(text, 'month', '/billing/minimumPerMachineMonth'),
}))

/** What is missing to the least that a machine costs in a month in which there is one, if only for a second. */
function minimumCharge(sum: Exact, { index, metered }: ChargeContext): Charge | undefined {
  const minimum: Rate | undefined = minimumOf(index.book).rate
  if (!minimum || metered.exists.ticks === 0) return undefined
  const missing = subtract(minimum.value, sum)
  if (sign(missing) <= 0) return undefined
  const tariff = {
    rate: minimum,
    units: divide(missing, minimum.value),
    ticksPerPeriod: metered.exists.ticks,
    ticksPerSecond: 0,
  }
  return makeCharge('minimum', { of: 'minimum', reached: sum }, tariff, metered.exists)
}
