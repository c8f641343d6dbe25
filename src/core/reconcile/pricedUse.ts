import { billNumber } from '../bill/billNumber.ts'
import type { BillLine } from '../bill/billLine.ts'
import { add, compare, divide, isZero, multiply, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { isDust, size } from './dust.ts'

/** A line as it is compared. Units are those of `measured`: seconds, GiB-seconds, GiB. */
export interface MeasuredLine {
  readonly line: BillLine
  readonly quantity: Exact
  /** How many units one pricing unit is. */
  readonly factor: Exact
}

/** What was used at one price. */
interface PricedUse {
  readonly price: Exact
  quantity: Exact
  cost: Exact
}

/** By the price, fit for comparison. */
export type Uses = Map<string, PricedUse>

/** The most that rounding to a hundredth changes a row. */
const HALF_A_CENT: Exact = { n: 1n, d: 200n }
/** Prices that differ by less are the same one, written in another unit. */
const SAME_PRICE: Exact = { n: 1n, d: 1_000_000n }

/** Fractions from `divide` are reduced, so that equal ones have the same key. */
const keyOf = ({ n, d }: Exact): string => `${n}/${d}`

/** Adds a line to what was used at its price. */
export function addUse(uses: Uses, price: Exact, { line, quantity }: MeasuredLine): void {
  const key = keyOf(price)
  const known = uses.get(key)
  if (!known) {
    uses.set(key, { price, quantity, cost: line.effective })
    return
  }
  known.quantity = add(known.quantity, quantity)
  known.cost = add(known.cost, line.effective)
}

/**
 * What one unit of a line costs: as it is written, where the cost agrees but for rounding; else what comes out. `known`
 * are the prices of the plan: one that is the same but for its unit, or that a rounded cost without a price agrees with,
 * is that one.
 */
export function priceOfLine({ line, quantity, factor }: MeasuredLine, known: readonly Exact[]): Exact {
  const { effective, rows } = line
  const most = multiply(HALF_A_CENT, { n: BigInt(rows), d: 1n })
  const agrees = (price: Exact): boolean =>
    compare(size(subtract(effective, multiply(price, quantity))), most) <= 0
  const text = billNumber(line.unitPrice)
  const written = text && divide(text, factor)
  if (written && agrees(written))
    return nearest(written, known, (price) => isSamePrice(price, written)) ?? written
  if (isZero(quantity)) return written ?? ZERO
  const own = divide(effective, quantity)
  return nearest(own, known, agrees) ?? own
}

export const isSamePrice = (a: Exact, b: Exact): boolean =>
  compare(size(subtract(a, b)), multiply(SAME_PRICE, size(a))) <= 0

/** The nearest of those that will do. */
function nearest(price: Exact, known: readonly Exact[], fits: (price: Exact) => boolean): Exact | undefined {
  let found: Exact | undefined
  for (const each of known) {
    if (!fits(each)) continue
    if (!found || compare(size(subtract(each, price)), size(subtract(found, price))) < 0) found = each
  }
  return found
}

/** What differs between two days’ uses, as money for how much was used and for what it cost. */
export interface UseDifference {
  /** Billed less planned, in units. */
  readonly quantity: Exact
  /** What that comes to at planned prices. */
  readonly used: Exact
  /** What prices that the plan does not know add. */
  readonly price: Exact
  readonly rounding: Exact
}

/**
 * Quantities at prices that the plan knows are compared price by price: an hour that falls into a cheaper band costs the
 * cheaper price. What is billed at other prices takes the place of what is missing at planned ones, and what it costs
 * more is its price. Where nothing is missing it is held against `average`; with none, all that it costs is use.
 */
export function useDifference(
  planned: Uses,
  billed: Uses,
  known: ReadonlyMap<string, Exact>,
  average: Exact | undefined,
): UseDifference {
  let [quantity, used, rounding] = [ZERO, ZERO, ZERO]
  let [missing, missingCost] = [ZERO, ZERO]
  let [strange, strangeCost] = [ZERO, ZERO]
  for (const key of new Set([...planned.keys(), ...billed.keys()])) {
    const [plan, bill] = [planned.get(key), billed.get(key)]
    const more = subtract(bill?.quantity ?? ZERO, plan?.quantity ?? ZERO)
    const cost = subtract(bill?.cost ?? ZERO, plan?.cost ?? ZERO)
    quantity = add(quantity, more)
    const price = known.get(key)
    if (!price) {
      strange = add(strange, more)
      strangeCost = add(strangeCost, cost)
      continue
    }
    const due = multiply(more, price)
    used = add(used, due)
    rounding = add(rounding, subtract(cost, due))
    if (more.n >= 0n) continue
    missing = subtract(missing, more)
    missingCost = subtract(missingCost, due)
  }
  const reference = isZero(missing) ? average : divide(missingCost, missing)
  const due = reference ? multiply(strange, reference) : strangeCost
  const price = subtract(strangeCost, due)
  return isDust(price)
    ? { quantity, used: add(used, due), price: ZERO, rounding: add(rounding, price) }
    : { quantity, used: add(used, due), price, rounding }
}
