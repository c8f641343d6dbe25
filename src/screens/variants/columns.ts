import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { watchList, type WatchList } from '../../core/watch/watchList.ts'
import { exchanged, exchangeEitherWay } from '../../core/machine/exchange.ts'
import { asVariant } from '../../core/machine/variant.ts'
import type { Machine, Plan } from '../../core/machine/plan.ts'
import type { MachineIssue, PlanPricing, PricedMachine } from '../../core/meter/planPricing.ts'
import { platesOf } from '../../core/notches/plates.ts'
import type { Exact } from '../../core/quantity/exact.ts'

/** One form of the machine: as it is now, or as it was kept. */
export interface VariantColumn {
  /** Undefined for the machine as it is. */
  readonly number: number | undefined
  readonly name: string
  readonly machine: Machine
  readonly priced: PricedMachine | undefined
  readonly issues: readonly MachineIssue[]
  readonly watch: WatchList | undefined
  /** The month in the currency of the machine as it is, where there is a rate. */
  readonly total: Exact | undefined
}

/** All forms of a machine, priced as part of its plan. O(forms × plates). */
export function variantColumns(
  machine: Machine,
  plan: Plan,
  pricing: PlanPricing,
  own: string,
  at: YearMonth,
): VariantColumn[] {
  const forms = [
    { number: undefined, name: 'Now', machine },
    ...(machine.variants ?? []).map((variant) => ({
      number: variant.number,
      name: variant.name,
      machine: asVariant(machine, variant),
    })),
  ]
  return forms.map((form) => {
    const result = pricing.of(form.machine)
    if (!result.ok) {
      return { ...form, priced: undefined, issues: result.issues, watch: undefined, total: undefined }
    }
    const { resolved, month, account, estimate } = result
    const elsewhere = pricing.elsewhere(resolved.index)
    const inputs = { resolved, plan, month, shared: account.planned, elsewhere }
    const watch = watchList({ ...inputs, plates: platesOf(inputs), estimate, machines: plan.machines })
    const exchange = exchangeEitherWay(estimate.currency, own, plan.exchangeRates, at)
    return { ...form, priced: result, issues: [], watch, total: exchanged(estimate.total, exchange) }
  })
}
