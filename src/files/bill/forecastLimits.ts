import type { Credit } from '../../core/machine/plan.ts'
import { parseDecimal, toDecimal } from '../../core/quantity/decimal.ts'
import { add, compare, multiply, subtract, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { budgetDay } from '../../core/reconcile/budgetDay.ts'
import type { Forecast } from '../../core/reconcile/forecast.ts'
import type { ReconciledCurrency } from '../../core/reconcile/inCurrency.ts'
import { creditRunway, type CreditRunway } from '../../core/wholePlan/creditRunway.ts'
import { paidByCredit, paysFor } from '../../core/wholePlan/paidByCredit.ts'
import { PlanSpending } from '../../core/wholePlan/planSpending.ts'
import type { ComparisonQuestion } from './comparisonQuestion.ts'
import type { ComparedLines } from './comparedLines.ts'

/** What becomes of the plan’s budget and credit if the month comes to what is expected of it. */
export interface ForecastLimits {
  readonly budget?: {
    readonly amount: Exact
    /** Expected before tax less the budget; not above zero where it holds. */
    readonly over: Exact
    /** The day on which the month has cost more than it, where it does. */
    readonly day?: string
  }
  /** How long the credit lasts, and how long it would have as planned. */
  readonly credit?: { readonly expected: CreditRunway; readonly planned: CreditRunway }
}

interface LimitInputs extends ComparisonQuestion {
  readonly lines: ComparedLines
  readonly forecast: Forecast & { readonly planned: Exact }
  readonly first: ReconciledCurrency
  readonly days: readonly string[]
  readonly rateTo: (from: string) => Exact | undefined
}

/** O(lines), and a runway of the plan where there is a credit. */
export function forecastLimits(inputs: LimitInputs): ForecastLimits {
  const { plan, books, forecast, first } = inputs
  const tax = first.causes.reduce((sum, { code, amount }) => (code === 'tax' ? add(sum, amount) : sum), ZERO)
  const [expected, low] = [forecast.expected, forecast.low].map((amount) => subtract(amount, tax)) as [
    Exact,
    Exact,
  ]
  // Both are in the plan’s currency.
  const isComparable = first.currency === (plan.currency ?? first.currency)
  const budget = isComparable && plan.budget !== undefined ? parseDecimal(plan.budget) : undefined
  const credit = isComparable && isPaid(inputs) ? plan.credit : undefined
  const day = budget && dayOver(inputs, budget, expected, low)
  // Each month is priced once for both.
  const spending =
    credit &&
    new PlanSpending({
      plan: paidByCredit({ ...plan, currency: first.currency }, credit),
      books,
      reading: 'calendar',
    })
  const runway = (paying: Credit, amount: Exact): CreditRunway =>
    creditRunway(spending!, { ...paying, amount: toDecimal(amount, 12) })
  return {
    ...(budget && { budget: { amount: budget, over: subtract(expected, budget), ...(day && { day }) } }),
    ...(credit && {
      credit: {
        planned: runway(credit, parseDecimal(credit.amount)!),
        expected: runway(credit, leftWithout(credit.amount, subtract(expected, forecast.planned))),
      },
    }),
  }
}

function dayOver(
  { lines, days, rateTo }: LimitInputs,
  budget: Exact,
  expected: Exact,
  low: Exact,
): string | undefined {
  const { until = '', billed, planned } = lines
  const costOf = new Map<string, Exact>()
  for (const { day, effective, currency, category } of [
    ...billed,
    ...planned.filter((line) => line.day > until),
  ]) {
    const rate = rateTo(currency)
    if (rate && category !== 'tax') costOf.set(day, add(costOf.get(day) ?? ZERO, multiply(effective, rate)))
  }
  const daysBilled = days.filter((day) => day <= until).length
  return budgetDay({ budget, expected, low, costOf, days, daysBilled })
}

/** What the credit has if this month takes so much more from it; nothing below zero. */
function leftWithout(amount: string, more: Exact): Exact {
  const left = subtract(parseDecimal(amount)!, more)
  return compare(left, ZERO) > 0 ? left : ZERO
}

/** Whether the credit pays in this month, and for what is on the bill. */
function isPaid({ plan: { credit }, month, lines }: LimitInputs): boolean {
  if (!credit || credit.from.slice(0, 7) > month || credit.expires.slice(0, 7) < month) return false
  return lines.compared.every(({ resolved }) => paysFor(credit, resolved.machine))
}
