import type { MonthReading } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { accept, refuse, type Outcome, type Refused } from '../../core/outcome.ts'
import { checkEditions } from '../checkEditions.ts'
import { checkPlan } from '../checkPlan.ts'
import type { FileIssue } from '../fileIssue.ts'
import { limited } from '../validate.ts'
import { estimateReport, type EstimateReport } from './estimateReport.ts'

export interface EstimateQuestion {
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  readonly reading: MonthReading
  /** Only this one. */
  readonly machine?: string | undefined
}

/** Why there is no answer: what is wrong with the books, the plan, or the question. */
export type EstimateRefusal = FileIssue & { readonly in: 'books' | 'plan' | 'machine' }

/** Prices a plan, or says everything that keeps it from being priced; the one answer of command line and service. */
export function askEstimate(
  { plan, books, month, reading, machine }: EstimateQuestion,
  onMachine?: () => void,
): Outcome<EstimateReport, EstimateRefusal> {
  const overlaps = books.flatMap((book, i) => checkEditions(book, books.slice(0, i)))
  if (overlaps.length > 0) return refusal(overlaps, 'books')
  const issues = checkPlan(plan, books, month)
  if (issues.length > 0) return refusal(issues, 'plan')
  if (machine !== undefined && !plan.machines.some(({ name }) => name === machine)) {
    const names = plan.machines.map(({ name }) => name).slice(0, 8)
    return refuse({
      code: 'unknown-reference',
      pointer: '/machine',
      problem: `There is no machine "${machine}" in the plan.`,
      expected: `one of ${names.join(', ')}.`,
      in: 'machine',
    })
  }
  return accept(estimateReport(plan, books, month, reading, machine, onMachine))
}

function refusal(issues: readonly FileIssue[], where: EstimateRefusal['in']): Refused<EstimateRefusal> {
  const [first, ...rest] = limited(issues).map((issue): EstimateRefusal => ({ ...issue, in: where }))
  return refuse(first!, ...rest)
}
