import { chargedRoom } from '../catalogue/diskRates.ts'
import { keptFor } from '../keptFor.ts'
import { givesHardwareBack, type OffState } from '../off/powerState.ts'
import { gib, type GiB } from '../quantity/units.ts'
import type { Held } from './held.ts'
import { disksOf, type ResolvedMachine } from './resolveMachine.ts'
import { statesWhenOff } from './whenOff.ts'

/** Once a machine. */
export const heldBy: (resolved: ResolvedMachine) => Held = keptFor((resolved: ResolvedMachine): Held => ({
  roomsGiB: roomsHeld(resolved),
  architecture: resolved.size.architecture,
  mayBeTaken: resolved.terms.kind === 'spot',
  keepsData:
    resolved.machine.dataDisks.length > 0 &&
    statesWhenOff(resolved).every((off) => !losesData(resolved, off)),
}))

/** What a disk was asked to have; all of it where it comes with the size. */
export const roomHeld = (
  { kind, disk }: ReturnType<typeof disksOf>[number],
  { size }: Pick<ResolvedMachine, 'size'>,
): GiB => (kind.room.by === 'size' && chargedRoom(kind, disk.roomGiB, size)) || gib(disk.roomGiB)

/** By position. */
export const roomsHeld = (resolved: ResolvedMachine): GiB[] =>
  disksOf(resolved).map((each) => roomHeld(each, resolved))

export interface ShrunkDisk {
  /** 0 is the system disk, data disks count from 1. */
  readonly position: number
  readonly from: GiB
  /** Zero where it is gone. */
  readonly to: GiB
}

/** The disks that have less room than before; none where data disks only stand in another order. O(d log d). */
export function shrunkDisks(before: readonly GiB[], after: readonly GiB[]): ShrunkDisk[] {
  const shrunk = before.flatMap((from, position): ShrunkDisk[] => {
    const to = after[position] ?? gib(0)
    return to < from ? [{ position, from, to }] : []
  })
  const [had, has] = [before, after].map((rooms) => rooms.slice(1).sort((a, b) => b - a)) as [GiB[], GiB[]]
  const dataStays = had.every((room, at) => (has[at] ?? 0) >= room)
  return dataStays ? shrunk.filter(({ position }) => position === 0) : shrunk
}

/** Whether a data disk is gone, or empty, after a state: deleted with its machine without a snapshot, or left with the hardware. */
export const losesData = ({ machine, dataKinds }: ResolvedMachine, off: OffState): boolean =>
  machine.dataDisks.some(
    (disk, at) =>
      (off === 'deleted' && disk.goes === true && !disk.snapshots?.kept) ||
      (dataKinds[at]!.room.by === 'size' && givesHardwareBack(off)),
  )
