import type { Machine } from '../machine/plan.ts'
import { heldInputs } from '../notches/heldInputs.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import { cheapestFit, type Found, type SearchProgress } from './cheapestFit.ts'
import type { SearchOptions } from './searchedChoices.ts'

export interface PlanSearch extends PlanPricingInputs, SearchOptions {
  /** Forms of machines of the plan, such as one machine with other needs: each is searched by itself. */
  readonly machines: readonly Machine[]
}

/** What was found for each, undefined where nothing fits or the machine itself has no price. */
export type SearchResults = readonly (Found | undefined)[]

/** Searches one machine after another; progress counts all their regions. */
export function* searchPlan({
  machines,
  uncommitted,
  ...inputs
}: PlanSearch): Generator<SearchProgress, SearchResults> {
  const pricing = new PlanPricing(inputs)
  const results: (Found | undefined)[] = []
  for (const [at, machine] of machines.entries()) {
    const priced = pricing.of(machine)
    if (!priced.ok) {
      results.push(undefined)
      continue
    }
    const { resolved, month, account } = priced
    const elsewhere = pricing.elsewhere(resolved.index)
    const asked = heldInputs({ resolved, plan: inputs.plan, month, shared: account.planned, elsewhere })
    const steps = cheapestFit(asked, { uncommitted })
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done) {
        results.push(step.value)
        break
      }
      const { done, of } = step.value
      yield { done: at * of + done, of: machines.length * of }
    }
  }
  return results
}
