import type { Machine } from '../machine/plan.ts'
import type { PlanParts } from '../machine/resolveMachine.ts'
import type { MachineIssue, PlanPricing } from '../meter/planPricing.ts'
import { heldInputs } from '../notches/heldInputs.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { accept, type Outcome } from '../outcome.ts'
import type { Exact } from '../quantity/exact.ts'

/** What the market is asked with, and what the machine costs as it is. */
interface MarketInputs {
  readonly inputs: PlatesInputs
  readonly total: Exact
}

/** A machine of a plan with every provider that it may go to; refused where it has no price itself. */
export function marketInputs(
  pricing: PlanPricing,
  plan: PlanParts,
  machine: Machine,
): Outcome<MarketInputs, MachineIssue> {
  const priced = pricing.of(machine)
  if (!priced.ok) return { ok: false, issues: [priced.issues[0]!, ...priced.issues.slice(1)] }
  const { resolved, month, account, estimate } = priced
  const shared = account.planned
  const inputs = heldInputs({
    resolved,
    plan,
    month,
    shared,
    elsewhere: pricing.elsewhere(resolved.index),
  })
  return accept({ inputs, total: estimate.total })
}

/** The same machine, if it needed something else. */
export const withNeeds = (inputs: PlatesInputs, needs: Machine['needs']): PlatesInputs => ({
  ...inputs,
  resolved: { ...inputs.resolved, machine: { ...inputs.resolved.machine, needs } },
})
