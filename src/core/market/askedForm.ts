import type { Image } from '../catalogue/priceBook.ts'
import type { Decision } from '../machine/decision.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { OffPlan } from '../off/offPlan.ts'

/** A machine that is off in one way, with one image of the seller. */
export interface Way {
  readonly image: Image
  readonly off: OffPlan
}

/** The machine that is asked about, and what two questions must have in common to share hours and groups. */
export interface AskedForm {
  readonly resolved: ResolvedMachine
  readonly kept: ReadonlySet<Decision>
  /** All of the machine that its hours depend on, spelt out. */
  readonly hoursKey: string
  /** The same with all that it needs, but for how much vCPU and memory, and where. */
  readonly key: string
}
