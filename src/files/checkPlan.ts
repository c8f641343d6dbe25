import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { bookOf, type MachineIssue } from '../core/meter/estimatePlan.ts'
import { resolveMachine } from '../core/machine/resolveMachine.ts'
import type { FileIssue } from './fileIssue.ts'
import { machineIssueText } from './machineIssueText.ts'

/** Names of a plan that no price book at hand holds: unknown providers, sizes, zones, images, kinds, terms. */
export function checkPlan(plan: Plan, books: readonly PriceBook[]): FileIssue[] {
  const providers = books.map(({ provider }) => provider.id)
  return plan.machines.flatMap((machine, i) => {
    const index = bookOf(machine.provider, books)
    const resolved = resolveMachine(machine, plan.weeks, index, providers)
    if (resolved.ok) {
      return index!.book.states[machine.off]
        ? []
        : [toFileIssue(i, { code: 'state-not-offered', state: machine.off })]
    }
    return resolved.issues.map((issue) => toFileIssue(i, issue))
  })
}

function toFileIssue(machineAt: number, issue: MachineIssue): FileIssue {
  const field = 'field' in issue ? issue.field : issue.code === 'state-not-offered' ? '/off' : ''
  const { problem, expected } = machineIssueText(issue)
  const code = issue.code === 'terms-not-priced' ? 'not-computed-yet' : 'unknown-reference'
  return { code, pointer: `/machines/${machineAt}${field}`, problem, expected }
}
