import { changeTimes } from '../catalogue/changeTimes.ts'
import type { Keep } from '../machine/needs.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { stateByShutdown } from '../machine/whenOff.ts'
import { restoredGiB } from '../machine/snapshots.ts'
import { withOff } from '../machine/whenOff.ts'
import { offStates } from '../off/offPlan.ts'
import { givesHardwareBack } from '../off/powerState.ts'
import { gib } from '../quantity/units.ts'
import { systemRoom } from './diskChecks.ts'
import type { FitCheck } from './fitCheck.ts'
import { HELD_IN_A_STATE } from './heldChecks.ts'

/** The machine once for each state that it can be in when off. */
export const inEachState = (resolved: ResolvedMachine): readonly ResolvedMachine[] =>
  resolved.machine.longGaps ? offStates(resolved.machine).map((off) => withOff(resolved, off)) : [resolved]

/** The machine in the state that only its week's auto-shutdown gives it; undefined where there is none. */
export function afterShutdown(resolved: ResolvedMachine): ResolvedMachine | undefined {
  const off = stateByShutdown(resolved)
  return off && withOff(resolved, off)
}

const hibernates = ({ machine }: ResolvedMachine): boolean => machine.off === 'hibernated'

/** A stop of a provider without a kept state gives the hardware back too. */
export const losesHardware = ({ machine: { off }, index: { book } }: ResolvedMachine): boolean =>
  givesHardwareBack(off) || (off === 'stopped' && !book.states.stopped?.compute)

/** What the state when off must keep, and how soon it must be left. */
const KEPT: { readonly [What in Keep]: (machine: ResolvedMachine) => boolean } = {
  memory: ({ machine: { off } }) => off === 'running' || off === 'hibernated',
  address: (resolved) =>
    resolved.machine.address !== 'changing' ? resolved.machine.address === 'fixed' : !losesHardware(resolved),
  'local-disk': (resolved) => resolved.size.localDiskGiB === undefined || !losesHardware(resolved),
  hardware: (resolved) => !losesHardware(resolved),
}

const keepCheck = (what: Keep, concerns: FitCheck['concerns']): FitCheck => ({
  concerns,
  find: (resolved) => {
    const asked = resolved.machine.needs.keeps?.includes(what) ?? false
    return !asked || KEPT[what](resolved)
      ? undefined
      : { code: 'not-kept', what, state: resolved.machine.off }
  },
})

const CHECKS_OF_A_STATE: readonly FitCheck[] = [
  {
    concerns: ['off'],
    find: ({ machine, index: { book } }) =>
      book.states[machine.off]
        ? undefined
        : { code: 'state-not-offered', state: machine.off, provider: book.provider.name },
  },
  {
    concerns: ['off', 'image'],
    find: (resolved) =>
      hibernates(resolved) && resolved.image.hibernation === false
        ? { code: 'no-hibernation', by: 'image', name: resolved.image.name }
        : undefined,
  },
  {
    concerns: ['size', 'off'],
    find: (resolved) =>
      hibernates(resolved) && resolved.size.hibernation === false
        ? { code: 'no-hibernation', by: 'size', name: resolved.size.name }
        : undefined,
  },
  {
    concerns: ['size', 'memory', 'off'],
    find: (resolved) => {
      const most = resolved.index.book.hibernation?.mostMemoryGiB
      const memory = resolved.size.memoryGiB
      if (!hibernates(resolved) || most === undefined || memory <= most) return undefined
      return { code: 'over-hibernation-limit', memory, most }
    },
  },
  {
    concerns: ['size', 'memory', 'disk-room', 'off'],
    find: (resolved) => {
      if (!hibernates(resolved)) return undefined
      const room = systemRoom(resolved)
      // Where nobody knows what the image takes, the memory alone must have room.
      const used = resolved.image.usedGiB ?? gib(0)
      const memory = resolved.size.memoryGiB
      return used + memory <= room ? undefined : { code: 'no-room-for-memory', room, used, memory }
    },
  },
  {
    concerns: ['disk-kind', 'off'],
    find: ({ systemKind, machine }) =>
      systemKind.room.by === 'size' && givesHardwareBack(machine.off)
        ? { code: 'own-disk-lost', kind: systemKind.name, state: machine.off }
        : undefined,
  },
  {
    concerns: ['off', 'terms'],
    find: ({ terms, machine }) =>
      terms.kind === 'spot' && machine.off === 'hibernated' && !terms.hibernation
        ? { code: 'no-hibernation', by: 'terms', name: terms.name }
        : undefined,
  },
  {
    concerns: ['off', 'snapshots'],
    find: ({ machine }) =>
      machine.off === 'deleted' && machine.systemDisk.goes && !machine.systemDisk.snapshots?.kept
        ? { code: 'nothing-to-restore' }
        : undefined,
  },
  HELD_IN_A_STATE,
  keepCheck('memory', ['off']),
  keepCheck('address', ['off', 'address']),
  keepCheck('local-disk', ['off', 'size']),
  keepCheck('hardware', ['off']),
  {
    concerns: ['terms'],
    find: ({ terms, machine: { needs } }) =>
      terms.kind === 'spot' && needs.keeps?.includes('hardware')
        ? { code: 'taken-away', terms: terms.name, interruption: terms.interruption, by: 'keeps' }
        : undefined,
  },
  {
    concerns: ['off', 'size', 'memory'],
    find: (resolved) => {
      const { machine, index, size } = resolved
      const most = machine.needs.backWithinSeconds ?? 0
      if (most === 0 || machine.off === 'running') return undefined
      const { return: takes } = changeTimes(index.book, machine.off, size.memoryGiB, restoredGiB(resolved))
      return takes <= most ? undefined : { code: 'back-too-late', state: machine.off, seconds: takes, most }
    },
  },
]

/** A machine must be able to be in each of its states. */
const OWN_STATE_CHECKS = CHECKS_OF_A_STATE.map((check): FitCheck => ({
  ...check,
  find: (resolved, disks) => {
    for (const each of inEachState(resolved)) {
      const reason = check.find(each, disks)
      if (reason) return reason
    }
    return undefined
  },
}))

/** And in the one that an auto-shutdown gives it: what another week could mend, and no other state of its own. */
const SHUTDOWN_CHECKS = CHECKS_OF_A_STATE.filter(({ concerns }) => concerns.includes('off')).map(
  (check): FitCheck => ({
    concerns: check.concerns.map((decision) => (decision === 'off' ? 'week' : decision)),
    find: (resolved, disks) => {
      const after = afterShutdown(resolved)
      return after && check.find(after, disks)
    },
  }),
)

export const OFF_CHECKS: readonly FitCheck[] = [...OWN_STATE_CHECKS, ...SHUTDOWN_CHECKS]
