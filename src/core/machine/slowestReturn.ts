import { changeTimes } from '../catalogue/changeTimes.ts'
import { withOffPlan } from '../off/offPlan.ts'
import type { OffState } from '../off/powerState.ts'
import { seconds, type Seconds } from '../quantity/units.ts'
import { restoredGiB } from './snapshots.ts'
import type { ResolvedMachine } from './resolveMachine.ts'

/** The longest that the machine takes to come back from any of these states. */
export function slowestReturn(resolved: ResolvedMachine, states: readonly OffState[]): Seconds {
  const { machine, index, size } = resolved
  const times = states.map((off) => {
    const restored = restoredGiB({ ...resolved, machine: withOffPlan(machine, { off }) })
    return changeTimes(index.book, off, size.memoryGiB, restored).return
  })
  return seconds(Math.max(0, ...times))
}
