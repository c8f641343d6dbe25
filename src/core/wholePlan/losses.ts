import { lostWhenOff } from '../fit/lostWhenOff.ts'
import { diskReach } from '../fit/diskReach.ts'
import { heldBy, losesData, roomsHeld, shrunkDisks, type ShrunkDisk } from '../machine/heldBy.ts'
import type { Keep } from '../machine/needs.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { slowestReturn } from '../machine/slowestReturn.ts'
import { statesWhenOff } from '../machine/whenOff.ts'
import { gib, type GiB, type Seconds } from '../quantity/units.ts'

/** What a machine would have less of, or be bound by, in another form. */
export type Loss =
  | { readonly kind: 'vcpu'; readonly from: number; readonly to: number }
  | { readonly kind: 'memory'; readonly from: GiB; readonly to: GiB }
  /** What is on it must be copied to a new disk; or it is gone. */
  | ({ readonly kind: 'room' } & ShrunkDisk)
  | { readonly kind: 'iops' | 'throughput'; readonly from: number; readonly to: number }
  /** What is on data disks, each time that it goes off. */
  | { readonly kind: 'data' }
  /** Each time that it goes off. */
  | { readonly kind: 'when-off'; readonly what: Keep }
  | { readonly kind: 'return'; readonly from: Seconds; readonly to: Seconds }
  | { readonly kind: 'interrupted'; readonly how: string }
  | { readonly kind: 'bound'; readonly months: number }
  | { readonly kind: 'own-licence' }
  | { readonly kind: 'address'; readonly from: Machine['address']; readonly to: Machine['address'] }
  | { readonly kind: 'snapshots' }
  | { readonly kind: 'shared-core' }
  | { readonly kind: 'architecture'; readonly to: string }
  | {
      readonly kind: 'moves'
      readonly from: string
      readonly to: string
      /** The jurisdiction that it leaves. */
      readonly leaves?: string
      /** Room of the disks that are there when it is off, and are made anew where it goes. */
      readonly copiesGiB: GiB
    }

/** Nothing where the other form has all that this one has. O(disks). */
export function losses(now: ResolvedMachine, then: ResolvedMachine): Loss[] {
  const found: (Loss | false)[] = [
    then.size.vcpu < now.size.vcpu && { kind: 'vcpu', from: now.size.vcpu, to: then.size.vcpu },
    then.size.memoryGiB < now.size.memoryGiB && {
      kind: 'memory',
      from: now.size.memoryGiB,
      to: then.size.memoryGiB,
    },
    ...shrunkDisks(roomsHeld(now), roomsHeld(then)).map((disk): Loss => ({ kind: 'room', ...disk })),
    heldBy(now).keepsData && statesWhenOff(then).some((off) => losesData(then, off)) && { kind: 'data' },
    less('iops', now, then),
    less('throughput', now, then),
    then.size.sharedCore === true && now.size.sharedCore !== true && { kind: 'shared-core' },
    then.size.architecture !== undefined &&
      now.size.architecture !== undefined &&
      then.size.architecture !== now.size.architecture && {
        kind: 'architecture',
        to: then.size.architecture,
      },
    ...lostWhenOff(then)
      .filter((what) => !lostWhenOff(now).includes(what))
      .map((what): Loss => ({ kind: 'when-off', what })),
    slower(now, then),
    ...newTerms(now, then),
    then.machine.ownLicence === true && now.machine.ownLicence !== true && { kind: 'own-licence' },
    ADDRESSES.indexOf(then.machine.address) < ADDRESSES.indexOf(now.machine.address) && {
      kind: 'address',
      from: now.machine.address,
      to: then.machine.address,
    },
    keptOf(then.machine) < keptOf(now.machine) && { kind: 'snapshots' },
    then.region !== now.region && {
      kind: 'moves',
      from: now.region.region.name,
      to: then.region.region.name,
      ...leftBy(now.region.region.jurisdiction, then.region.region.jurisdiction),
      copiesGiB: gib(roomThatStays(now)),
    },
  ]
  return found.filter((loss) => loss !== false)
}

/** The more, the later. */
const ADDRESSES: readonly Machine['address'][] = ['none', 'changing', 'fixed']

function less(kind: 'iops' | 'throughput', now: ResolvedMachine, then: ResolvedMachine): Loss | false {
  const [from, to] = [now, then].map((each) => diskReach(each)[kind].reached)
  return from !== undefined && to !== undefined && to < from && { kind, from, to }
}

const disksOf = ({ systemDisk, dataDisks }: Machine) => [systemDisk, ...dataDisks]

const leftBy = (from: string | undefined, to: string | undefined): { readonly leaves?: string } =>
  from !== undefined && from !== to ? { leaves: from } : {}

const roomThatStays = (now: ResolvedMachine): number =>
  disksOf(now.machine)
    .filter(({ goes }) => !goes || !statesWhenOff(now).includes('deleted'))
    .reduce((sum, { roomGiB }) => sum + roomGiB, 0)

const keptOf = (machine: Machine): number =>
  disksOf(machine).reduce((sum, { snapshots }) => sum + (snapshots?.kept ?? 0), 0)

function slower(now: ResolvedMachine, then: ResolvedMachine): Loss | false {
  const [from, to] = [now, then].map((each) => slowestReturn(each, statesWhenOff(each))) as [Seconds, Seconds]
  return to > from && { kind: 'return', from, to }
}

function newTerms({ terms: now }: ResolvedMachine, { terms: then }: ResolvedMachine): Loss[] {
  if (then.id === now.id) return []
  if (then.kind === 'spot') return [{ kind: 'interrupted', how: then.interruption }]
  return then.kind === 'commitment' ? [{ kind: 'bound', months: then.months }] : []
}
