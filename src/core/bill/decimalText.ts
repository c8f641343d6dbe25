import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import type { Exact } from '../quantity/exact.ts'

/** All digits of an amount of a bill: its denominator is a power of ten. */
export function decimalText(value: Exact): string {
  const places = value.d.toString().length - 1
  return places === 0 ? value.n.toString() : trimDecimal(toDecimal(value, places))
}
