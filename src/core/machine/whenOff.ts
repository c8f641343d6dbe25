import { shutdownState } from '../catalogue/statesSold.ts'
import { isNeverOff, offStates, withOffPlan } from '../off/offPlan.ts'
import type { OffState } from '../off/powerState.ts'
import type { ResolvedMachine } from './resolveMachine.ts'

/** Every state that a machine can come to have when off, each once: those of its gaps, and its week's auto-shutdown's. */
export function statesWhenOff(resolved: ResolvedMachine): readonly OffState[] {
  const own = offStates(resolved.machine)
  const other = stateByShutdown(resolved)
  return other ? [...own, other] : own
}

/** The state that only an auto-shutdown gives the machine; undefined where there is none. */
export function stateByShutdown({ machine, week, index }: ResolvedMachine): OffState | undefined {
  const off = shutdownState(week, index.book)
  return off && !isNeverOff(machine) && !offStates(machine).includes(off) ? off : undefined
}

/** The machine if it were off in one state, whatever the gap. */
export const withOff = (resolved: ResolvedMachine, off: OffState): ResolvedMachine => ({
  ...resolved,
  machine: withOffPlan(resolved.machine, { off }),
})
