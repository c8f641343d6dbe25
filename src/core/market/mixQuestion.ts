import type { Plan } from '../machine/plan.ts'
import type { PlanPricingInputs } from '../meter/planPricing.ts'
import type { SearchOptions } from '../search/searchedChoices.ts'
import type { PlaceSetLimits } from './placeSet.ts'

/** Where else all machines of a plan could run. */
export interface MixQuestion extends Omit<PlanPricingInputs, 'plan'>, SearchOptions, PlaceSetLimits {
  readonly plan: Plan
}
