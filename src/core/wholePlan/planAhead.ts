import { dayNumber, dayOf, formatDate } from '../calendar/civil.ts'
import { addMonths, yearMonthParts, type YearMonth } from '../calendar/yearMonth.ts'
import { priceBookFor } from '../catalogue/bookFor.ts'
import { exchanged } from '../machine/exchange.ts'
import type { Plan } from '../machine/plan.ts'
import { planTotals } from '../meter/planTotals.ts'
import { roundTo } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { aheadCauses, monthAfter, type AheadCauses } from './aheadCauses.ts'
import { paysFor } from './paidByCredit.ts'
import type { PlanSpending, SpendingInputs } from './planSpending.ts'
import { commitmentBegins } from './UpFrontPayments.ts'

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
  /** Why it costs something else than the month before, where books or allowances change with it. */
  readonly changes: AheadCauses | undefined
  /** Commitments that ended the month before; later months go by their price as before. */
  readonly commitmentEnds: readonly CommitmentEnd[]
}

interface CommitmentEnd {
  readonly machine: string
  /** Its last date. */
  readonly on: string
}

/** Twelve months from `first` on, by the editions that are valid in each. O(12 × machines). */
export function planAhead(
  inputs: SpendingInputs & { readonly plan: Pick<Plan, 'taxPercent' | 'credit'> },
  spending: PlanSpending,
  first: YearMonth,
  decimals: number,
): AheadMonth[] {
  const { plan } = inputs
  const months = Array.from({ length: 12 }, (_, i) => addMonths(first, i)).filter(
    (month) => month !== undefined,
  )
  const ahead = months.map((month) => {
    const { parts, leftOut } = spending.of(month)
    const estimates = parts.map(({ estimate }) => estimate)
    const totals = planTotals(inCurrency(plan, spending), estimates, month, decimals)
    let committed = ZERO
    for (const { estimate, exchange } of parts) {
      const own = estimate.charges.reduce(
        (sum, { meter, amount }) => (meter === 'commitment' ? add(sum, amount) : sum),
        ZERO,
      )
      committed = add(committed, roundTo(exchanged(own, exchange)!, decimals))
    }
    const { planned, alwaysOn } = totals
    return { month, planned, alwaysOn, committed, leftOut }
  })
  const ends = commitmentEnds(inputs, spending, first)
  const known = { ...inputs, plan: inCurrency(plan, spending) }
  return ahead.map((each, at) => ({
    ...each,
    changes: at === 0 ? undefined : aheadCauses(known, each.month, ahead[at - 1]?.planned, decimals),
    commitmentEnds: ends.filter(({ month }) => month === each.month).map(({ end }) => end),
  }))
}

const inCurrency = <P extends object>(
  plan: P,
  { currency }: PlanSpending,
): P & { readonly currency?: string } => ({
  ...plan,
  ...(currency !== undefined && { currency }),
})

interface FoundEnd {
  /** The first whole month after it. */
  readonly month: YearMonth
  readonly end: CommitmentEnd
}

/** Commitments begin with the first day of their machine, and those that a credit pays not before it. */
function commitmentEnds(
  { plan, books }: Parameters<typeof planAhead>[0],
  spending: PlanSpending,
  first: YearMonth,
): FoundEnd[] {
  const { credit } = plan
  return plan.machines.flatMap((machine): FoundEnd[] => {
    const firstDay = spending.firstDay(machine.name)
    const paid = credit && paysFor(credit, machine) ? commitmentBegins(credit, firstDay) : firstDay
    const begins = paid?.date
    const book = priceBookFor(machine.provider, books, first)
    const terms = book?.terms.find(({ id }) => id === machine.terms)
    if (begins === undefined || terms?.kind !== 'commitment') return []
    const { year, month } = yearMonthParts(begins.slice(0, 7) as YearMonth)
    const on = formatDate(dayNumber(dayOf(year, month + terms.months, Number(begins.slice(8))) - 1))
    const after = monthAfter(on)
    return after ? [{ month: after, end: { on, machine: machine.name } }] : []
  })
}
