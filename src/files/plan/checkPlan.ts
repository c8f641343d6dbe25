import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { PlanPricing, type MachineIssue } from '../../core/meter/planPricing.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { machineIssueText } from '../reading/machineIssueText.ts'

/**
 * Machines of a plan that the price books at hand cannot price in its month: unknown providers, sizes, zones, images,
 * kinds, terms, and parts without a price.
 */
export function checkPlan(
  plan: Plan,
  books: readonly PriceBook[],
  month: Plan['month'] = plan.month,
): FileIssue[] {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  return plan.machines.flatMap((machine, i) => {
    const result = pricing.of(machine)
    return result.ok ? [] : result.issues.map((issue) => machineIssue(i, issue))
  })
}

/** Why the machine at this place of the plan has no price. */
export function machineIssue(machineAt: number, issue: MachineIssue): FileIssue {
  const { problem, expected } = machineIssueText(issue)
  const code = issue.code === 'no-price' ? 'missing-price' : 'unknown-reference'
  return { code, pointer: `/machines/${machineAt}${fieldOf(issue)}`, problem, expected }
}

function fieldOf(issue: MachineIssue): string {
  switch (issue.code) {
    case 'no-book':
    case 'no-book-then':
      return '/provider'
    case 'unknown-name':
    case 'not-sold':
      return issue.field
    case 'state-not-offered':
      return '/off'
    case 'no-price':
      return ''
  }
}
