import type { MonthReading } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { accept, refuse, type Outcome, type Refused } from '../../core/outcome.ts'
import { checkEditions } from '../priceBook/checkEditions.ts'
import { machineIssue } from '../plan/checkPlan.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { limited } from '../reading/validate.ts'
import { estimateReport, pricePlan, type EstimateReport, type PlanResult } from './estimateReport.ts'

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

/**
 * Prices a plan, or says everything that keeps it from being priced; the one answer of command line and service.
 * Machines whose provider has no price book for the month are left out and named; a month in which no machine has one is
 * refused, with one line a provider. `pricing` is of the same question, for whoever prices more with it.
 */
export function askEstimate(
  { plan, books, month, reading, machine }: EstimateQuestion,
  onMachine?: () => void,
  pricing = new PlanPricing({ plan, books, month, reading }),
): Outcome<EstimateReport, EstimateRefusal> {
  const overlaps = books.flatMap((book, i) => checkEditions(book, books.slice(0, i)))
  if (overlaps.length > 0) return refusal(overlaps, 'books')
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
  // What machines share depends on all of them, so the whole plan is priced even where one is asked for.
  const results = pricePlan(plan, pricing, onMachine)
  const issues = results.flatMap(({ result }, i) =>
    result.ok
      ? []
      : result.issues.flatMap((issue) => (issue.code === 'no-book-then' ? [] : machineIssue(i, issue))),
  )
  if (issues.length > 0) return refusal(issues, 'plan')
  const asked = results.filter((each) => machine === undefined || each.machine.name === machine)
  const ended = asked.length > 0 && asked.every(({ result }) => !result.ok)
  return ended
    ? refusal(withoutBook(asked, plan), 'plan')
    : accept(estimateReport(plan, asked, month, reading))
}

/** One line for each provider without a book, at its first machine. */
function withoutBook(results: readonly PlanResult[], { machines }: Plan): FileIssue[] {
  const first = new Map<string, FileIssue>()
  for (const { machine, result } of results) {
    const [issue] = result.ok ? [] : result.issues
    if (!issue || first.has(machine.provider)) continue
    first.set(machine.provider, machineIssue(machines.indexOf(machine), issue))
  }
  return [...first.values()]
}

function refusal(issues: readonly FileIssue[], where: EstimateRefusal['in']): Refused<EstimateRefusal> {
  const [first, ...rest] = limited(issues).map((issue): EstimateRefusal => ({ ...issue, in: where }))
  return refuse(first!, ...rest)
}
