import { exchanged, exchangeFor } from '../../core/machine/exchange.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { planTotals } from '../../core/meter/planTotals.ts'
import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { add, exact, subtract, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { forecast, type Forecast } from '../../core/reconcile/forecast.ts'
import { inCurrency, type ReconciledCurrency } from '../../core/reconcile/inCurrency.ts'
import { shownReconciliation } from '../../core/reconcile/shownReconciliation.ts'
import { datesOfMonth } from '../../core/calendar/datesOfMonth.ts'
import type { ComparisonQuestion } from './comparisonQuestion.ts'
import { compareBill, type Comparison } from './compareBill.ts'
import { forecastLimits, type ForecastLimits } from './forecastLimits.ts'
import { unplannedMachines, type UnplannedMachine } from './unplannedMachines.ts'
import type { BillReading } from './readBill.ts'

/** A month beside its bill, as a screen shows it. */
export interface BillAnswer extends Pick<Comparison, 'providers' | 'otherPeriods' | 'until'> {
  /** First what could be told in the plan’s currency, then those without a rate to it. */
  readonly currencies: readonly ReconciledCurrency[]
  /** In the first currency, for a month that is not over; `planned` is all of it, as the plan’s own total has it. */
  readonly forecast?: Forecast & { readonly planned: Exact } & ForecastLimits
  /** Days of the month, in order. */
  readonly days: readonly string[]
  /** Machines that are not in the plan, as it would have them, by the name of their cause. */
  readonly unplanned: ReadonlyMap<string, UnplannedMachine>
}

/** Amounts are shown to the hundredth, and add up as they are shown. */
const SHOWN_DECIMALS = 2

/** Sets a bill beside the plan, in the plan’s currency where it has rates. */
export function billAnswer(
  reading: BillReading,
  { plan, books, month, ties }: ComparisonQuestion,
): BillAnswer {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const { currencies, plannedRest, lines, ...found } = compareBill({
    priced,
    reading,
    month,
    ...(ties && { ties }),
  })
  const to = plan.currency ?? priced[0]?.estimate.currency ?? currencies[0]?.currency ?? NO_CURRENCY
  const rateTo = (from: string): Exact | undefined =>
    exchanged(exact(1), exchangeFor(from, to, plan.exchangeRates, month))
  const days = datesOfMonth(month)
  const shown = inCurrency(currencies, to, rateTo).map((each) => shownReconciliation(each, SHOWN_DECIMALS))
  const { until } = found
  const unplanned = unplannedMachines(
    shown.flatMap(({ causes }) => causes),
    lines.billed,
    reading.resources,
    { plan, books, month },
  )
  const [first] = shown
  if (until === undefined || !first) return { ...found, currencies: shown, days, unplanned }
  const planned =
    first.currency === to
      ? planTotals(
          { ...plan, currency: to },
          lines.compared.map(({ estimate }) => estimate),
          month,
          SHOWN_DECIMALS,
        ).planned
      : add(first.planned, plannedRest.get(first.currency) ?? ZERO)
  const expected = {
    planned,
    ...forecast({
      billed: first.billed,
      plannedRest: subtract(planned, first.planned),
      causes: first.causes,
      days: days.filter((day) => day <= until),
      daysToCome: days.filter((day) => day > until).length,
    }),
  }
  const limits = forecastLimits({ plan, books, month, lines, forecast: expected, first, days, rateTo })
  return { ...found, currencies: shown, days, unplanned, forecast: { ...expected, ...limits } }
}
