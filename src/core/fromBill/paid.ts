import type { BillLine } from '../bill/billLine.ts'
import type { RegionPrices } from '../catalogue/regionPrices.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, divide, isZero, ZERO, type Exact } from '../quantity/exact.ts'

const PRICE_DECIMALS = 9

/** What so many units came to: several machines pay for the same. */
export interface Paid {
  readonly cost: Exact
  readonly units: Exact
}

export const UNPAID: Paid = { cost: ZERO, units: ZERO }

export const paidMore = (paid: Paid | undefined, lines: readonly BillLine[], units: Exact): Paid => ({
  cost: lines.reduce((sum, { effective }) => add(sum, effective), paid?.cost ?? ZERO),
  units: add(paid?.units ?? ZERO, units),
})

/** What a unit cost on average, as decimal text; undefined where there was none. */
export function paidPrice({ cost, units }: Paid): string | undefined {
  if (isZero(units)) return undefined
  const price = divide(cost, units)
  return price.n <= 0n ? '0' : trimDecimal(toDecimal(price, PRICE_DECIMALS))
}

/** A bill does not say what it would have cost in another use. */
export const addressesAt = (price: string | undefined): RegionPrices['addresses'] =>
  price === undefined ? {} : { fixed: { attachedOn: price, attachedOff: price, unattached: price } }

export const trafficAt = (price: string | undefined): Pick<RegionPrices, 'trafficOut'> =>
  price === undefined ? {} : { trafficOut: [{ perGiB: price }] }
