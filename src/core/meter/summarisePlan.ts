import type { Exact } from '../quantity/exact.ts'
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
