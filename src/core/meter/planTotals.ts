import { NO_CURRENCY } from '../quantity/currency.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { exchanged, exchangeFor } from '../machine/exchange.ts'
import type { Plan } from '../machine/plan.ts'
import { parseDecimal, roundTo } from '../quantity/decimal.ts'
import { add, divide, exact, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import type { Estimate } from './estimateMachine.ts'

type Amounts = Pick<Estimate, 'currency' | 'total' | 'alwaysOn'>

export interface PlanTotals {
  readonly currency: string
  readonly planned: Exact
  readonly alwaysOn: Exact
  /** On top of `planned`, where the plan has a tax. */
  readonly tax: Exact | undefined
  /** Currencies of machines that are left out, because no rate is known. */
  readonly withoutRate: readonly string[]
}

/** The plan's own currency, or that of the first machine that is priced. */
export const planCurrency = (
  plan: Pick<Plan, 'currency'>,
  estimates: readonly Amounts[],
): string | undefined => plan.currency ?? estimates[0]?.currency

/** A machine's amount in the plan's currency, as it is shown with so many decimals. */
export function shownInPlan(
  amount: Exact,
  from: string,
  to: string,
  plan: Pick<Plan, 'exchangeRates'>,
  month: YearMonth,
  decimals: number,
): Exact | undefined {
  const converted = exchanged(amount, exchangeFor(from, to, plan.exchangeRates, month))
  return converted && roundTo(converted, decimals)
}

/**
 * A plan's totals for figures shown with so many decimals: the sums of its machines' totals as they are shown,
 * so that a list of machines adds up to its total. Machines in another currency are converted by the plan's rates;
 * those without a rate are left out and named.
 */
export function planTotals(
  plan: Pick<Plan, 'currency' | 'exchangeRates' | 'taxPercent'>,
  estimates: readonly Amounts[],
  month: YearMonth,
  decimals: number,
): PlanTotals {
  const currency = planCurrency(plan, estimates) ?? NO_CURRENCY
  const withoutRate = new Set<string>()
  let planned = ZERO
  let alwaysOn = ZERO
  for (const estimate of estimates) {
    const shown = shownInPlan(estimate.total, estimate.currency, currency, plan, month, decimals)
    const always = shownInPlan(estimate.alwaysOn, estimate.currency, currency, plan, month, decimals)
    if (!shown || !always) withoutRate.add(estimate.currency)
    else {
      planned = add(planned, shown)
      alwaysOn = add(alwaysOn, always)
    }
  }
  return {
    currency,
    planned,
    alwaysOn,
    tax: taxOn(planned, plan.taxPercent, decimals),
    withoutRate: [...withoutRate],
  }
}

/** Rounded as it is shown, so that net and tax add up to gross. */
function taxOn(net: Exact, percent: string | undefined, decimals: number): Exact | undefined {
  const rate = percent === undefined ? undefined : parseDecimal(percent)
  return rate && roundTo(divide(multiply(net, rate), exact(100)), decimals)
}
