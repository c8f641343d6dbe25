import type { MachineChange } from '../core/advice/planChange.ts'
import type { PlanPricingInputs } from '../core/meter/planPricing.ts'

/** A plan, and forms that it could have. One question and one answer a worker: cancelling ends it. */
export interface ChangeAsk extends PlanPricingInputs {
  readonly after: readonly PlanPricingInputs['plan'][]
}

/** What each form changes, in the order in which they were asked. */
export type ChangeAnswer = readonly (readonly MachineChange[])[]
