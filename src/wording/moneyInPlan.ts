import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { Plan } from '../core/machine/plan.ts'
import { shownInPlan } from '../core/meter/planTotals.ts'
import type { Exact } from '../core/quantity/exact.ts'
import { formatMoney, SHOWN_DECIMALS } from './money.ts'

/** A machine's amount as the lists beside it have it, in the plan's currency; what its provider bills stands next to it. */
export function moneyInPlan(
  amount: Exact,
  currency: string,
  plan: Pick<Plan, 'currency' | 'exchangeRates'>,
  month: YearMonth,
): string {
  const own = formatMoney(amount, currency)
  const to = plan.currency ?? currency
  if (to === currency) return own
  const shown = shownInPlan(amount, currency, to, plan, month, SHOWN_DECIMALS)
  return shown ? `${formatMoney(shown, to)} (${own})` : own
}
