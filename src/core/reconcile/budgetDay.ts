import { add, compare, divide, exact, subtract, ZERO, type Exact } from '../quantity/exact.ts'

interface BudgetDayInputs {
  readonly budget: Exact
  /** What the whole month is expected to come to, and what it does if all goes as planned from now on. */
  readonly expected: Exact
  readonly low: Exact
  /** What each day costs: billed on those that the bill has, planned on those to come. */
  readonly costOf: ReadonlyMap<string, Exact>
  /** All days of the month, in order, and how many the bill has. */
  readonly days: readonly string[]
  readonly daysBilled: number
}

/**
 * The day on which a month has cost more than its budget: as billed so far, then as planned with what people forget spread
 * over the days to come. Undefined where it never does. O(days).
 */
export function budgetDay(inputs: BudgetDayInputs): string | undefined {
  const { budget, expected, low, costOf, days, daysBilled } = inputs
  if (compare(expected, budget) <= 0) return undefined
  const toCome = Math.max(1, days.length - daysBilled)
  const forgotten = divide(subtract(expected, low), exact(toCome))
  let spent = ZERO
  for (const [at, day] of days.entries()) {
    spent = add(spent, costOf.get(day) ?? ZERO)
    if (at >= daysBilled) spent = add(spent, forgotten)
    if (compare(spent, budget) > 0) return day
  }
  // What is about no day, such as a fee of the month, is known with its last one.
  return days.at(-1)
}
