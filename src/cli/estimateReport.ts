import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import type { Charge } from '../core/meter/charge.ts'
import type { Estimate } from '../core/meter/estimateMachine.ts'
import { estimateInPlan, planTotals, type PlanTotals } from '../core/meter/estimatePlan.ts'
import type { Phase } from '../core/power/powerState.ts'
import { MOST_DECIMALS, toDecimal, trimDecimal } from '../core/quantity/decimal.ts'
import type { Exact } from '../core/quantity/exact.ts'
import { roundParts } from '../core/quantity/roundParts.ts'
import type { Rate } from '../core/quantity/rate.ts'

const ESTIMATE_FORMAT = 'notchgauge/estimate/1'

interface LineReport {
  readonly meter: Charge['meter']
  readonly subject: Charge['subject']
  readonly seconds: number
  readonly units: number
  readonly rate: string
  readonly per: Rate['per']
  readonly rateAt: string
  readonly rounding?: Charge['rounding']
  /** Decimal text to 12 places; the lines of a machine add up to its total. */
  readonly amount: string
}

interface MachineReport {
  readonly name: string
  readonly provider: string
  readonly currency: string
  readonly secondsByPhase: { readonly [P in Phase]?: number }
  readonly lines: readonly LineReport[]
  readonly total: string
  readonly alwaysOn: string
}

/** What the command line answers; docs/formats/estimate.schema.json describes it. */
export interface EstimateReport {
  readonly format: typeof ESTIMATE_FORMAT
  readonly plan: string
  readonly month: YearMonth
  readonly machines: readonly MachineReport[]
  /** Undefined where the machines are priced in several currencies. */
  readonly total?: { readonly currency: string; readonly planned: string; readonly alwaysOn: string }
}

/** The decimal that the screen shows as exact: 12 places at most, without the zeros at its end. */
const decimal = (amount: Exact): string => trimDecimal(toDecimal(amount, MOST_DECIMALS))

/** Prices every machine. The plan has been held against the books, so each has a price. */
export function estimateReport(plan: Plan, books: readonly PriceBook[], month: YearMonth): EstimateReport {
  const priced = plan.machines.map((machine) => {
    const result = estimateInPlan(machine, plan, books, month)
    if (!result.ok)
      throw new Error(`${machine.name} has no price: ${result.issues.map(({ code }) => code).join(', ')}`)
    return { machine, estimate: result.estimate }
  })
  const totals = planTotals(
    priced.map(({ estimate }) => estimate),
    books[0]?.currency ?? 'EUR',
    MOST_DECIMALS,
  )
  return {
    format: ESTIMATE_FORMAT,
    plan: plan.name,
    month,
    machines: priced.map(({ machine, estimate }) => machineReport(machine.name, machine.provider, estimate)),
    ...(totals.ok && { total: totalReport(totals.value) }),
  }
}

const totalReport = ({ planned, alwaysOn }: PlanTotals): NonNullable<EstimateReport['total']> => ({
  currency: planned.currency,
  planned: decimal(planned.amount),
  alwaysOn: decimal(alwaysOn.amount),
})

function machineReport(name: string, provider: string, estimate: Estimate): MachineReport {
  const { parts } = roundParts(
    estimate.charges.map(({ amount }) => amount),
    MOST_DECIMALS,
  )
  return {
    name,
    provider,
    currency: estimate.currency,
    secondsByPhase: Object.fromEntries(estimate.metered.phases),
    lines: estimate.charges.map((charge, i) => ({
      meter: charge.meter,
      subject: charge.subject,
      seconds: charge.time,
      units: charge.units,
      rate: charge.rate.text,
      per: charge.rate.per,
      rateAt: charge.rate.pointer,
      ...(charge.rounding && { rounding: charge.rounding }),
      amount: trimDecimal(parts[i]!),
    })),
    total: decimal(estimate.total),
    alwaysOn: decimal(estimate.alwaysOn),
  }
}
