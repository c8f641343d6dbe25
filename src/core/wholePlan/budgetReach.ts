import { parseDecimal } from '../quantity/decimal.ts'
import { compare, subtract, type Exact } from '../quantity/exact.ts'
import { instant, type Instant, type Span } from '../quantity/units.ts'
import { firstWhen } from './firstWhen.ts'
import { spentWithin, type SpendingMonth } from './planSpending.ts'

export interface BudgetReach {
  readonly budget: Exact
  /** `budget` less what the month costs: below zero where it is over. */
  readonly left: Exact
  /** When more than the budget is spent, where the month is over it. */
  readonly at: Instant | undefined
}

/**
 * A month against a budget. `planned` is the month's total as it is shown; by it the month is over or not. Each month
 * carries its share of what commitments ask for up front.
 */
export function budgetReach({ parts }: SpendingMonth, budget: string, planned: Exact): BudgetReach {
  const amount = parseDecimal(budget)!
  const left = subtract(amount, planned)
  if (compare(planned, amount) <= 0 || parts.length === 0) return { budget: amount, left, at: undefined }
  const span = unionOf(parts.map(({ estimate }) => estimate.month))
  const at = firstWhen(
    span,
    (until) => compare(spentWithin(parts, { from: span.from, to: until }, true), amount) > 0,
  )
  // Rounded as it is shown, a month can be over by less than is spent.
  return { budget: amount, left, at: at ?? span.to }
}

const unionOf = (spans: readonly Span[]): Span => ({
  from: instant(Math.min(...spans.map(({ from }) => from))),
  to: instant(Math.max(...spans.map(({ to }) => to))),
})
