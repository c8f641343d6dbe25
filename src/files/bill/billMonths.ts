import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { finishLater } from '../../core/finish.ts'
import type { Exact } from '../../core/quantity/exact.ts'
import { billAnswer } from './billAnswer.ts'
import type { ComparisonQuestion } from './comparisonQuestion.ts'
import { keptBillFile, type KeptBill } from './keptBill.ts'
import { readBill } from './readBill.ts'

export interface BillMonthsQuestion extends Omit<ComparisonQuestion, 'month'> {
  /** In the order in which they are answered. */
  readonly bills: readonly Pick<KeptBill, 'month' | 'bytes'>[]
}

/** A month beside its bill in two sums, as its comparison shows them. */
export interface BilledMonth {
  readonly month: YearMonth
  readonly currency: string
  readonly planned: Exact
  readonly billed: Exact
  /** The day on which the bill ends, where the month is not over: both sums are those until then. */
  readonly until?: string
}

/** Kept bills month by month; those that cannot be read any more are left out. Yields how many are done. */
export async function* billMonths({
  bills,
  ...question
}: BillMonthsQuestion): AsyncGenerator<number, readonly BilledMonth[]> {
  const months: BilledMonth[] = []
  for (const [at, { month, bytes }] of bills.entries()) {
    const read = await finishLater(readBill(keptBillFile(bytes)))
    if (read.ok) {
      const { currencies, until } = billAnswer(read.value, { ...question, month })
      const [first] = currencies
      if (first) {
        const { currency, planned, billed } = first
        months.push({ month, currency, planned, billed, ...(until !== undefined && { until }) })
      }
    }
    yield at + 1
  }
  return months
}
