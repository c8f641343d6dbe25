import { offeredRooms } from '../catalogue/diskRates.ts'
import type { DiskKind } from '../catalogue/priceBook.ts'
import { plateId } from '../machine/decision.ts'
import { onKind } from '../machine/onKind.ts'
import type { Disk, Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { GiB } from '../quantity/units.ts'
import type { DecisionRules } from './decisionRules.ts'

export interface DiskShape {
  readonly kind: string
  readonly roomGiB: GiB
}

interface DataDiskTaken {
  /** Counts from 1. */
  readonly position: number
  /** Without one, the disk is taken away. */
  readonly disk: DiskShape | undefined
}

interface NewDiskTaken {
  readonly disk: DiskShape | undefined
}

const dataKinds = ({ index }: ResolvedMachine, { dataDisks }: Machine): Partial<ResolvedMachine> => ({
  dataKinds: dataDisks.map(({ kind }) => index.diskKinds.get(kind)!),
})

const shapeKey = ({ disk }: NewDiskTaken): string => (disk ? `${disk.kind}-${disk.roomGiB}` : 'none')

/** There is one for each data disk. */
export const DATA_DISK_DECISION: DecisionRules<DataDiskTaken> = {
  count: ({ machine }) => machine.dataDisks.length,
  choices: ({ index: { book }, machine }, position) =>
    [undefined, ...diskShapes(book.diskKinds, machine.dataDisks[position - 1])].map((disk) => ({
      position,
      disk,
    })),
  present: ({ machine }, position) => ({ position, disk: machine.dataDisks[position - 1] }),
  apply: (machine, { position, disk }) =>
    disk
      ? { ...machine, dataDisks: reshaped(machine.dataDisks, position, disk) }
      : withoutDataDisk(machine, position),
  resolve: dataKinds,
  key: shapeKey,
  leavesWorkAlone: ({ disk }) => disk !== undefined,
}

export const NEW_DISK_DECISION: DecisionRules<NewDiskTaken> = {
  choices: ({ index: { book } }) =>
    [undefined, ...diskShapes(book.diskKinds, undefined)].map((disk) => ({ disk })),
  present: () => ({ disk: undefined }),
  apply: (machine, { disk }) =>
    disk ? { ...machine, dataDisks: [...machine.dataDisks, { ...disk, goes: true }] } : machine,
  resolve: dataKinds,
  key: shapeKey,
  leavesWorkAlone: () => false,
}

/** Each kind that is sold as a disk of its own, in each room that is worth offering. */
function diskShapes(kinds: readonly DiskKind[], present: DiskShape | undefined): DiskShape[] {
  const shapes = kinds
    .filter(({ room }) => room.by !== 'size')
    .flatMap((kind) => offeredRooms(kind).map((roomGiB) => ({ kind: kind.id, roomGiB })))
  const isThere =
    !present || shapes.some(({ kind, roomGiB }) => kind === present.kind && roomGiB === present.roomGiB)
  return isThere ? shapes : [...shapes, { kind: present.kind, roomGiB: present.roomGiB }]
}

const reshaped = (disks: readonly Disk[], position: number, { kind, roomGiB }: DiskShape): readonly Disk[] =>
  disks.map((disk, i) => (i === position - 1 ? { ...onKind(disk, kind), roomGiB } : disk))

/** Plates of the disks behind it move up by one, and stay pinned. */
function withoutDataDisk(machine: Machine, position: number): Machine {
  const dataDisks = machine.dataDisks.filter((_, i) => i !== position - 1)
  if (!machine.pinned) return { ...machine, dataDisks }
  const gone = plateId('data-disk', position)
  const behind = new Map(
    machine.dataDisks
      .slice(position)
      .map((_, i) => [plateId('data-disk', position + i + 1), plateId('data-disk', position + i)]),
  )
  const pinned = machine.pinned.filter((id) => id !== gone).map((id) => behind.get(id) ?? id)
  return { ...machine, dataDisks, pinned }
}
