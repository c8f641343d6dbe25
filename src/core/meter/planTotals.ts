import { NO_CURRENCY } from '../quantity/currency.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { exchanged, exchangeFor } from '../machine/exchange.ts'
import type { Plan } from '../machine/plan.ts'
import { keptFor } from '../keptFor.ts'
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

type Rounded = Pick<Amounts, 'total' | 'alwaysOn'>

/** Of thousands of machines, all but the one that changes are as they were at the last edit. */
const KEPT_ROUNDED = new Map<number, (amounts: Amounts) => Rounded>()

function roundedTo(decimals: number): (amounts: Amounts) => Rounded {
  let rounded = KEPT_ROUNDED.get(decimals)
  if (!rounded) {
    rounded = keptFor(({ total, alwaysOn }: Amounts) => ({
      total: roundTo(total, decimals),
      alwaysOn: roundTo(alwaysOn, decimals),
    }))
    KEPT_ROUNDED.set(decimals, rounded)
  }
  return rounded
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
  const rounded = roundedTo(decimals)
  const inCurrency = ({ currency: own, ...amounts }: Amounts): Rounded | undefined => {
    const total = shownInPlan(amounts.total, own, currency, plan, month, decimals)
    const always = shownInPlan(amounts.alwaysOn, own, currency, plan, month, decimals)
    return total && always && { total, alwaysOn: always }
  }
  for (const estimate of estimates) {
    const shown = estimate.currency === currency ? rounded(estimate) : inCurrency(estimate)
    if (!shown) withoutRate.add(estimate.currency)
    else {
      planned = add(planned, shown.total)
      alwaysOn = add(alwaysOn, shown.alwaysOn)
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
