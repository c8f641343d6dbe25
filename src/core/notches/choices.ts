import { offeredRooms } from '../catalogue/diskRates.ts'
import { chosenSize } from '../machine/chosenSize.ts'
import type { Choice, Decision } from '../machine/choice.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { POWER_STATES } from '../power/powerState.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'

/** Every choice of one decision about this machine, the present one among them. */
export function choicesOf(
  resolved: ResolvedMachine,
  decision: Decision,
  weeks: readonly WeekPlan[],
): Choice[] {
  const { book } = resolved.index
  switch (decision) {
    case 'size':
      return book.sizes.map(({ id }) => ({ decision, size: id }))
    case 'place':
      return book.regions.flatMap(({ id, zones }) => zones.map((zone) => ({ decision, region: id, zone })))
    case 'disk-kind':
      return book.diskKinds.map(({ id }) => ({ decision, kind: id }))
    case 'disk-room': {
      const rooms = new Set(offeredRooms(resolved.systemKind)).add(resolved.machine.systemDisk.roomGiB)
      return [...rooms].map((roomGiB) => ({ decision, roomGiB }))
    }
    case 'off':
      return POWER_STATES.filter((off) => book.states[off]).map((off) => ({ decision, off }))
    case 'week':
      return weeks.map(({ id }) => ({ decision, week: id }))
  }
}

/** The resolved machine with one decision taken: only what that decision names is looked up again. */
export function resolveChoice(
  resolved: ResolvedMachine,
  choice: Choice,
  machine: ResolvedMachine['machine'],
  weeks: ReadonlyMap<string, WeekPlan>,
): ResolvedMachine {
  const { index } = resolved
  switch (choice.decision) {
    case 'size':
      return { ...resolved, machine, size: chosenSize(index.sizes.get(choice.size)!, machine.chosen) }
    case 'place':
      return { ...resolved, machine, region: index.regions.get(choice.region)! }
    case 'disk-kind':
      return { ...resolved, machine, systemKind: index.diskKinds.get(choice.kind)! }
    case 'week':
      return { ...resolved, machine, week: weeks.get(choice.week)! }
    case 'disk-room':
    case 'off':
      return { ...resolved, machine }
  }
}
