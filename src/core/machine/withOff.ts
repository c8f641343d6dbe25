import { withOffPlan } from '../power/offPlan.ts'
import type { OffState } from '../power/powerState.ts'
import type { ResolvedMachine } from './resolveMachine.ts'

/** The machine if it were off in one state, whatever the gap. */
export const withOff = (resolved: ResolvedMachine, off: OffState): ResolvedMachine => ({
  ...resolved,
  machine: withOffPlan(resolved.machine, { off }),
})
