import { toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { divide, subtract, ZERO, type Exact } from '../../core/quantity/exact.ts'
import type { Cause, CauseCode } from '../../core/reconcile/cause.ts'
import type { MeterClass } from '../../core/reconcile/meterClass.ts'
import type { BillTrouble } from './billTrouble.ts'
import type { LeftOutReport } from './billReport.ts'
import type { Comparison } from './compareBill.ts'
import type { BillReading } from './readBill.ts'

export const COMPARISON_VERSION = 1
export const COMPARISON_FORMAT = `notchgauge/bill-comparison/${COMPARISON_VERSION}`

/** A plan beside its bill, in JSON; amounts and quantities are decimal text with 12 places at most. */
export interface ComparisonReport {
  readonly format: typeof COMPARISON_FORMAT
  readonly plan: string
  readonly month: string
  readonly providers: readonly string[]
  /** The last day that is compared, where the bill ends before its month. */
  readonly until?: string
  readonly currencies: readonly CurrencyReport[]
  readonly otherPeriods: readonly {
    readonly period: string
    readonly currency: string
    readonly rows: number
    readonly effective: string
  }[]
  readonly leftOut: readonly LeftOutReport[]
  readonly troubles: readonly BillTrouble[]
}

export interface CurrencyReport {
  readonly currency: string
  readonly planned: string
  readonly billed: string
  readonly difference: string
  readonly unexplained: string
  /** Planned of the days after `until`. */
  readonly plannedRest?: string
  readonly causes: readonly CauseReport[]
  readonly machines: readonly {
    readonly machine: string
    readonly planned: string
    readonly billed: string
  }[]
}

export interface CauseReport {
  readonly code: CauseCode
  readonly of: string
  readonly meter?: MeterClass
  readonly amount: string
  readonly unit?: string
  readonly days?: readonly { readonly day: string; readonly planned: string; readonly billed: string }[]
  readonly prices?: { readonly planned: string; readonly billed: string }
  readonly since?: string
  readonly names?: { readonly planned: string; readonly billed: string }
  readonly parts?: readonly { readonly meter: MeterClass; readonly amount: string }[]
}

const text = (value: Exact): string => trimDecimal(toDecimal(value, 12))

export const comparisonReport = (
  plan: string,
  month: string,
  { providers, currencies, otherPeriods, until, plannedRest }: Comparison,
  { leftOut, troubles }: Pick<BillReading, 'leftOut' | 'troubles'>,
): ComparisonReport => ({
  format: COMPARISON_FORMAT,
  plan,
  month,
  providers,
  ...(until !== undefined && { until }),
  currencies: currencies.map(({ currency, planned, billed, unexplained, causes, machines }) => ({
    currency,
    planned: text(planned),
    billed: text(billed),
    difference: text(subtract(billed, planned)),
    unexplained: text(unexplained),
    ...(until !== undefined && { plannedRest: text(plannedRest.get(currency) ?? ZERO) }),
    causes: causes.map(causeReport),
    machines: machines.map((each) => ({
      machine: each.machine,
      planned: text(each.planned),
      billed: text(each.billed),
    })),
  })),
  otherPeriods: otherPeriods.map((each) => ({ ...each, effective: text(each.effective) })),
  leftOut: leftOut.map((each) => ({ ...each, effective: text(each.effective) })),
  troubles,
})

const HOUR: Exact = { n: 3_600n, d: 1n }

/** Time is in hours, and its prices are by the hour. */
function causeReport({
  code,
  of,
  meter,
  amount,
  unit,
  days,
  prices,
  since,
  names,
  parts,
}: Cause): CauseReport {
  const isTime = unit === 'time'
  const quantity = (value: Exact): string => text(isTime ? divide(value, HOUR) : value)
  const price = ({ n, d }: Exact): string => text(isTime ? { n: n * HOUR.n, d } : { n, d })
  return {
    code,
    of,
    ...(meter && { meter }),
    amount: text(amount),
    ...(unit !== undefined && { unit: isTime ? 'hours' : unit }),
    ...(days && {
      days: days.map(({ day, planned, billed }) => ({
        day,
        planned: quantity(planned),
        billed: quantity(billed),
      })),
    }),
    ...(prices && { prices: { planned: price(prices.planned), billed: price(prices.billed) } }),
    ...(since !== undefined && { since }),
    ...(names && { names }),
    ...(parts && { parts: parts.map((part) => ({ meter: part.meter, amount: text(part.amount) })) }),
  }
}
