import { kindsCarried } from '../catalogue/notKnown.ts'
import type { Terms } from '../catalogue/priceBook.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { fitsBut } from '../fit/fitReasons.ts'
import type { Decision } from '../machine/decision.ts'
import { onKind } from '../machine/onKind.ts'
import type { Disk } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { neededRooms } from '../search/neededRooms.ts'

/** Reasons that depend on where the machine stands and on its terms, which are looked at place by place. */
export const OF_PLACE_AND_TERMS: ReadonlySet<FitReason['code']> = new Set<FitReason['code']>([
  'not-for-account',
  'over-account',
  'not-sold-here',
  'not-sold-on-terms',
  'licence-not-sold-here',
  'disk-kind-not-sold-here',
  'room-not-offered',
  'snapshots-not-sold-here',
  'address-not-sold-here',
  'traffic-not-sold-here',
  'jurisdiction-not-allowed',
  'too-far',
  'shares-zone',
  'shares-fault-domain',
  'shares-region',
])

/** Terms of which nothing is known but that they are the plainest: what is closed by terms is looked at by itself. */
export const PLAIN_TERMS: Terms = { id: '', name: '', kind: 'on-demand' }

/**
 * The system disks with which a machine has all that it needs, wherever they are sold; none where its state when off
 * does not fit it. The machine has its data disks already, and `PLAIN_TERMS`.
 */
export function diskChoices(resolved: ResolvedMachine, kept: ReadonlySet<Decision>): Disk[] {
  const { machine, size, index } = resolved
  return kindsCarried(size, index).flatMap((kind) => {
    if (!kind.boots || (kept.has('disk-kind') && kind.id !== machine.systemDisk.kind)) return []
    const onThis = { ...resolved, systemKind: kind }
    const rooms = kept.has('disk-room') ? [machine.systemDisk.roomGiB] : neededRooms(onThis, kind)
    return rooms.flatMap((roomGiB) => {
      const systemDisk = { ...onKind(machine.systemDisk, kind.id), roomGiB }
      return fitsBut({ ...onThis, machine: { ...machine, systemDisk } }, OF_PLACE_AND_TERMS)
        ? [systemDisk]
        : []
    })
  })
}
