import { accept, type Outcome } from '../../core/outcome.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { linesBeside, type DayBeside } from '../../core/reconcile/linesBeside.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import type { ComparisonQuestion } from './comparisonQuestion.ts'
import { comparedLines } from './comparedLines.ts'
import type { BillReading } from './readBill.ts'

export interface BillLinesQuestion extends ComparisonQuestion {
  /** A machine of the plan, or the name of what is on the bill alone. */
  readonly of: string
}

/** What the plan’s ledger and the bill say of one machine, side by side: of the same lines as the comparison. */
export function billLinesAnswer(
  reading: BillReading,
  { plan, books, month, ties, of }: BillLinesQuestion,
): Outcome<readonly DayBeside[], FileIssue> {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const { planned, billed, until } = comparedLines({ priced, reading, month })
  const sides = {
    planned: planned.filter(({ day }) => until === undefined || day <= until),
    billed,
    resources: reading.resources,
    ...(ties && { ties }),
  }
  return accept(linesBeside(sides, of))
}
