import type { BillLine } from '../../core/bill/billLine.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { add, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { lengthOf, seconds } from '../../core/quantity/units.ts'
import { reconcile, type Reconciliation } from '../../core/reconcile/reconcile.ts'
import type { Ties } from '../../core/reconcile/tieLines.ts'
import { comparedLines, type ComparedInputs, type ComparedLines } from './comparedLines.ts'
import type { BillReading } from './readBill.ts'

export interface ComparisonInputs extends ComparedInputs {
  readonly reading: BillReading
  readonly ties?: Ties
}

/** Lines of the bill that are about other months than the one that is compared. */
interface OtherPeriod {
  readonly period: string
  readonly currency: string
  readonly rows: number
  readonly effective: Exact
}

export interface Comparison {
  readonly lines: ComparedLines
  /** Providers of the machines that are compared, by name. */
  readonly providers: readonly string[]
  readonly currencies: readonly (Reconciliation & { readonly currency: string })[]
  readonly otherPeriods: readonly OtherPeriod[]
  /** Where the bill ends before its month does: what is planned after that day is not compared. */
  readonly until?: string
  /** What is planned of the days after `until`, by currency. */
  readonly plannedRest: ReadonlyMap<string, Exact>
}

/**
 * Sets a planned month beside a bill: currency by currency, for the machines of the providers whose bill it is. Lines of
 * other billing periods are counted apart. A bill that ends before its month is compared with the plan so far.
 */
export function compareBill({ priced, reading, month, ties }: ComparisonInputs): Comparison {
  const lines = comparedLines({ priced, reading, month })
  const { compared, plannedResources, billed: own, until } = lines
  const planned = lines.planned.filter(({ day }) => until === undefined || day <= until)
  const plannedRest = new Map<string, Exact>()
  for (const { day, currency, effective } of lines.planned) {
    if (until === undefined || day <= until) continue
    plannedRest.set(currency, add(plannedRest.get(currency) ?? ZERO, effective))
  }
  const currencies = [...new Set([...planned, ...own].map(({ currency }) => currency))]
  const [first] = compared
  const length = first ? lengthOf(first.month) : seconds(0)
  return {
    lines,
    providers: [...new Set(compared.map(({ resolved }) => resolved.index.book.provider.name))],
    currencies: currencies.map((currency) => ({
      currency,
      ...reconcile({
        planned: planned.filter((line) => line.currency === currency),
        billed: own.filter((line) => line.currency === currency),
        resources: reading.resources,
        plannedResources,
        month: length,
        ...(ties && { ties }),
      }),
    })),
    otherPeriods: otherPeriods(reading.lines, month),
    plannedRest,
    ...(until !== undefined && { until }),
  }
}

function otherPeriods(lines: readonly BillLine[], month: YearMonth): OtherPeriod[] {
  const found = new Map<string, OtherPeriod>()
  for (const { period, currency, rows, effective } of lines) {
    if (period.startsWith(month)) continue
    const key = `${period} ${currency}`
    const known = found.get(key) ?? { period, currency, rows: 0, effective: ZERO }
    found.set(key, { ...known, rows: known.rows + rows, effective: add(known.effective, effective) })
  }
  return [...found.values()]
}
