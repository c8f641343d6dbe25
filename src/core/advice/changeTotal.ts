import { NO_CURRENCY } from '../quantity/currency.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Plan } from '../machine/plan.ts'
import { shownInPlan } from '../meter/planTotals.ts'
import { add, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import type { MachineChange } from './planChange.ts'

export interface ChangeTotal {
  readonly currency: string
  readonly difference: Exact
  /** Machines left out: without a price before or after, or without a rate to the currency. */
  readonly leftOut: readonly string[]
}

/** What a change costs the plan, as the plan's own total is added up: of machines' totals as they are shown. */
export function changeTotal(
  changes: readonly MachineChange[],
  plan: Pick<Plan, 'currency' | 'exchangeRates'>,
  month: YearMonth,
  decimals: number,
): ChangeTotal {
  const currency = plan.currency ?? changes[0]?.currency ?? NO_CURRENCY
  const leftOut: string[] = []
  let difference = ZERO
  for (const { name, currency: own, before, after } of changes) {
    const [was, is] = [before, after].map(
      (each) => each && shownInPlan(each, own, currency, plan, month, decimals),
    )
    if (was && is) difference = add(difference, subtract(is, was))
    else leftOut.push(name)
  }
  return { currency, difference, leftOut }
}
