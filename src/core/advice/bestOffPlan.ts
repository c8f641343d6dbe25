import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { offPlanOf, type OffPlan } from '../off/offPlan.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { compare, type Exact } from '../quantity/exact.ts'
import { gapsToAdvise } from './distinctGaps.ts'
import { planFor, willDo, withPlan } from './gapAdvice.ts'

export interface BestOffPlan {
  readonly plan: OffPlan
  /** The month with it. */
  readonly total: Exact
}

/**
 * The cheapest way that will do for every gap of the month at once. What a gap saves can hang on the others, by shared
 * hours and rebates: so each gap is asked again until none saves any more. Undefined where the machine has no price.
 */
export function bestOffPlan(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared?: SharedAccount,
): BestOffPlan | undefined {
  const totalWith = (plan: OffPlan) => machineTotal(withPlan(resolved, plan), month, shared)
  const { states } = resolved.index.book
  const gaps = gapsToAdvise(resolved, month).map((gap) => ({
    gap,
    ways: POWER_STATES.filter((off) => states[off] && willDo(resolved, gap, off)),
  }))
  const plan = offPlanOf(resolved.machine)
  const total = totalWith(plan)
  if (!total) return undefined
  let best: BestOffPlan = { plan, total }
  for (let saves = true; saves;) {
    saves = false
    for (const { gap, ways } of gaps) {
      for (const off of ways) {
        const changed = planFor(best.plan, gap, off)
        const cost = totalWith(changed)
        if (!cost || compare(cost, best.total) >= 0) continue
        best = { plan: changed, total: cost }
        saves = true
      }
    }
  }
  return best
}
