import { add, compare, divide, multiply, subtract, exact, type Exact } from '../quantity/exact.ts'

/** What so many seconds cost. */
export interface CurvePoint {
  readonly seconds: number
  readonly amount: Exact
}

/**
 * Where `curve` last comes down to `reference` or below and stays there: 0 when it never is above, undefined when it
 * is above at the end. Both are straight between the same seconds.
 */
export function lastCrossing(
  curve: readonly CurvePoint[],
  reference: readonly CurvePoint[],
): Exact | undefined {
  for (let i = curve.length - 1; i >= 0; i -= 1) {
    if (compare(curve[i]!.amount, reference[i]!.amount) <= 0) continue
    if (i === curve.length - 1) return undefined
    const before = subtract(curve[i]!.amount, reference[i]!.amount)
    const after = subtract(curve[i + 1]!.amount, reference[i + 1]!.amount)
    const share = divide(before, subtract(before, after))
    const length = exact(curve[i + 1]!.seconds - curve[i]!.seconds)
    return add(exact(curve[i]!.seconds), multiply(share, length))
  }
  return exact(0)
}
