import { isSame, type Exact } from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'
import { PlanPricing, type MachineIssue, type MachineResult, type PlanPricingInputs } from './planPricing.ts'

/** What a list of machines shows of each: small enough to come back from a worker for thousands of them. */
export type MachineSummary = { readonly name: string; readonly size: string } & (
  | {
      readonly priced: true
      readonly currency: string
      readonly total: Exact
      readonly alwaysOn: Exact
      readonly onTime: Seconds
    }
  | { readonly priced: false; readonly issues: readonly MachineIssue[] }
)

export function summarise(name: string, size: string, result: MachineResult): MachineSummary {
  if (!result.ok) return { name, size, priced: false, issues: result.issues }
  const { currency, total, alwaysOn, onTime } = result.estimate
  return { name, size: result.resolved.size.name, priced: true, currency, total, alwaysOn, onTime }
}

/** Every machine of a plan for one month, in the plan's order. O(machines); weeks are expanded once each. */
export function summarisePlan(inputs: PlanPricingInputs): MachineSummary[] {
  const pricing = new PlanPricing(inputs)
  return inputs.plan.machines.map((machine) => summarise(machine.name, machine.size, pricing.of(machine)))
}

/**
 * The summaries, with the earlier one itself wherever the one in its place says the same: after an edit most do. O(machines).
 */
export const keepSameSummaries = (
  before: readonly MachineSummary[],
  now: readonly MachineSummary[],
): MachineSummary[] =>
  now.map((summary, i) => {
    const earlier = before[i]
    return earlier && saysTheSame(earlier, summary) ? earlier : summary
  })

function saysTheSame(a: MachineSummary, b: MachineSummary): boolean {
  if (a.name !== b.name || a.size !== b.size) return false
  if (!a.priced || !b.priced)
    return !a.priced && !b.priced && JSON.stringify(a.issues) === JSON.stringify(b.issues)
  return (
    a.currency === b.currency &&
    a.onTime === b.onTime &&
    isSame(a.total, b.total) &&
    isSame(a.alwaysOn, b.alwaysOn)
  )
}
