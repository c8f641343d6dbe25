import type { ResolvedMachine } from '../core/machine/resolveMachine.ts'
import type { Span } from '../core/quantity/units.ts'
import type { MachineOrder } from '../practice/machineOrder.ts'
import { runningTime } from '../practice/counted.ts'
import type { PracticeMachine } from '../practice/PracticeMachine.ts'
import type { PracticeProvider } from '../practice/PracticeProvider.ts'
import { ticksOf } from '../practice/stretches.ts'
import type { PlannedSwitches } from './plannedSwitches.ts'

/** What is ordered for a machine of a plan. */
export function orderOf({ machine }: ResolvedMachine, runningSeconds?: number): MachineOrder {
  const { name, region, zone, size, chosen, image, ownLicence, terms, systemDisk, dataDisks } = machine
  const { address, addressGoes, trafficOutGiB, tags, costCentre } = machine
  return {
    name,
    region,
    zone,
    size,
    image,
    terms,
    systemDisk,
    dataDisks,
    address,
    ...(chosen && { chosen }),
    ...(ownLicence !== undefined && { ownLicence }),
    ...(addressGoes !== undefined && { addressGoes }),
    ...(trafficOutGiB !== undefined && { trafficOutGiB }),
    ...(tags && { tags }),
    ...(costCentre !== undefined && { costCentre }),
    ...(runningSeconds !== undefined && { runningSeconds }),
  }
}

/** Does to a machine what its plan says, to the letter. It must be there before it is deleted. */
export function playMachine(
  provider: PracticeProvider,
  order: MachineOrder,
  { from, state, wasThere, hasRun, switches, deleted }: PlannedSwitches,
): PracticeMachine | undefined {
  if (deleted !== undefined && deleted <= from && !wasThere) return undefined
  const machine = provider.create({ order, at: from, state, hasRun })
  for (const { at, state: wanted, isTaken } of switches) {
    if (isTaken) machine.evict(at, wanted)
    else machine.want(wanted, at)
  }
  if (deleted !== undefined) machine.delete(Math.max(deleted, from))
  return machine
}

/** True seconds of a month in which a machine runs; going off and coming back are none of them. */
export function runningSeconds(machine: PracticeMachine, month: Span): number {
  machine.settle(month.to)
  return ticksOf(runningTime(machine, month))
}
