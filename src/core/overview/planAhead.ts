import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import { bookFor } from '../catalogue/bookFor.ts'
import { exchanged } from '../machine/exchange.ts'
import type { Plan } from '../machine/plan.ts'
import { planTotals } from '../meter/planTotals.ts'
import { roundTo } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import type { PlanSpending, SpendingInputs } from '../runway/planSpending.ts'

/** A month of the whole plan, in its currency. */
export interface AheadMonth {
  readonly month: YearMonth
  /** As the plan's total is shown. */
  readonly planned: Exact
  readonly alwaysOn: Exact
  /** What of it commitments ask for, used or not. */
  readonly committed: Exact
  /** Machines without a price then, or without a rate to the plan's currency. */
  readonly leftOut: readonly string[]
  /** Editions of price books that are used from this month on, and were not the month before. */
  readonly newEditions: readonly { readonly provider: string; readonly edition: string }[]
}

/** Twelve months from `first` on, by the editions that are valid in each. O(12 × machines). */
export function planAhead(
  inputs: SpendingInputs & { readonly plan: Pick<Plan, 'taxPercent'> },
  spending: PlanSpending,
  first: YearMonth,
  places: number,
): AheadMonth[] {
  const { plan, books } = inputs
  const providers = [...new Set(plan.machines.map(({ provider }) => provider))]
  const editionIn = (provider: string, month: YearMonth): string | undefined => {
    const found = bookFor(provider, books, month)
    return 'code' in found ? undefined : found.book.edition
  }
  const months = Array.from({ length: 12 }, (_, i) => addMonths(first, i)).filter(
    (month) => month !== undefined,
  )
  return months.map((month) => {
    const { parts, leftOut } = spending.of(month)
    const estimates = parts.map(({ estimate }) => estimate)
    const known = { ...plan, ...(spending.currency !== undefined && { currency: spending.currency }) }
    const totals = planTotals(known, estimates, month, places)
    let committed = ZERO
    for (const { estimate, exchange } of parts) {
      const own = estimate.charges.reduce(
        (sum, { meter, amount }) => (meter === 'commitment' ? add(sum, amount) : sum),
        ZERO,
      )
      committed = add(committed, roundTo(exchanged(own, exchange)!, places))
    }
    const before = addMonths(month, -1)
    const newEditions = providers.flatMap((provider) => {
      const edition = editionIn(provider, month)
      const last = before && editionIn(provider, before)
      return edition !== undefined && last !== edition && month !== first ? [{ provider, edition }] : []
    })
    const { planned, alwaysOn } = totals
    return { month, planned, alwaysOn, committed, leftOut, newEditions }
  })
}
