import { fitReasons } from '../fit/fitReasons.ts'
import type { Disk } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Mend } from './finding.ts'

const going = (disk: Disk): Disk => ({ ...disk, goes: true })

/** Everything marked to go with the machine; undefined where it could not be brought back then. */
export function applyLeavings(resolved: ResolvedMachine): Mend | undefined {
  const { machine: before } = resolved
  const machine = {
    ...before,
    systemDisk: going(before.systemDisk),
    dataDisks: before.dataDisks.map(going),
    ...(before.address === 'fixed' && { addressGoes: true }),
  }
  return fitReasons({ ...resolved, machine }).length > fitReasons(resolved).length ? undefined : { machine }
}
