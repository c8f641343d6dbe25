import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { roundTo } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { seconds, type Seconds } from '../quantity/units.ts'
import { PlanPricing, type MachineResult, type PlanPricingInputs } from './planPricing.ts'

const SHOWN = 2

interface MonthAhead {
  readonly month: YearMonth
  readonly result: MachineResult
}

export interface TwelveMonths {
  readonly months: readonly MonthAhead[]
  /** Sum of the months as they are shown, to the cent, of those that have a price; where all are in one currency. */
  readonly total: { readonly amount: Exact; readonly currency: string } | undefined
  readonly onTime: Seconds
  /** Months without a price: no edition is valid then, or it lacks something. */
  readonly unpriced: number
}

/** One machine as part of its plan in twelve months, from the asked one on, each by the edition that is valid then. */
export function twelveMonths(machine: Machine, inputs: PlanPricingInputs): TwelveMonths {
  const months = Array.from({ length: 12 }, (_, i) => addMonths(inputs.month, i)).flatMap(
    // The last months that a plan may have are not followed by others.
    (month): MonthAhead[] =>
      month ? [{ month, result: new PlanPricing({ ...inputs, month }).of(machine) }] : [],
  )
  const priced = months.flatMap(({ result }) => (result.ok ? [result.estimate] : []))
  const [first] = priced
  const isOneCurrency = priced.every(({ currency }) => currency === first?.currency)
  return {
    months,
    total:
      first && isOneCurrency
        ? {
            amount: priced.reduce((sum, { total }) => add(sum, roundTo(total, SHOWN)), ZERO),
            currency: first.currency,
          }
        : undefined,
    onTime: seconds(priced.reduce((sum, { onTime }) => sum + onTime, 0)),
    unpriced: months.length - priced.length,
  }
}
