import type { WeekPlan } from '../calendar/weekPlan.ts'
import { offPlanKey, withOffPlan, type OffPlan } from '../off/offPlan.ts'
import type { GiB } from '../quantity/units.ts'
import { plateId } from './decision.ts'
import { onKind } from './onKind.ts'
import type { Disk, Machine, Snapshots } from './plan.ts'

/** One way to take a decision. */
export type Choice =
  | { readonly decision: 'size'; readonly size: string; readonly chosen?: ChosenSize }
  /** Steps of a size that leaves vCPU and memory to choose. */
  | { readonly decision: 'vcpu' | 'memory'; readonly chosen: ChosenSize }
  | { readonly decision: 'place'; readonly provider: string; readonly region: string; readonly zone: string }
  | { readonly decision: 'terms'; readonly terms: string }
  | { readonly decision: 'image'; readonly image: string; readonly ownLicence: boolean }
  | { readonly decision: 'disk-kind'; readonly kind: string }
  | { readonly decision: 'disk-room'; readonly roomGiB: GiB }
  /** Position counts from 1; without a disk, it is taken away. */
  | { readonly decision: 'data-disk'; readonly position: number; readonly disk: DiskShape | undefined }
  | { readonly decision: 'new-disk'; readonly disk: DiskShape | undefined }
  | { readonly decision: 'snapshots'; readonly scheme: SnapshotScheme }
  | { readonly decision: 'address'; readonly address: Machine['address'] }
  | ({ readonly decision: 'off' } & OffPlan)
  /** The plan's, or a variant that the plan does not hold yet. */
  | { readonly decision: 'week'; readonly week: WeekPlan }
  | { readonly decision: 'traffic'; readonly trafficOutGiB: GiB }

type ChosenSize = NonNullable<Machine['chosen']>

export interface DiskShape {
  readonly kind: string
  readonly roomGiB: GiB
}

/** Snapshots of all disks alike; `as-is` where they differ from disk to disk. */
export type SnapshotScheme = 'none' | 'as-is' | Pick<Snapshots, 'every' | 'kept'>

/** How much of a disk changes between two snapshots, where nobody said. */
const USUAL_CHANGED_PERCENT = 10

/** The machine with this one decision taken and nothing else changed. */
export function applyChoice(machine: Machine, choice: Choice): Machine {
  switch (choice.decision) {
    case 'size':
      return { ...machine, size: choice.size, ...(choice.chosen && { chosen: choice.chosen }) }
    case 'vcpu':
    case 'memory':
      return { ...machine, chosen: choice.chosen }
    case 'place':
      return { ...machine, provider: choice.provider, region: choice.region, zone: choice.zone }
    case 'terms':
      return { ...machine, terms: choice.terms }
    case 'image':
      return withImage(machine, choice.image, choice.ownLicence)
    case 'disk-kind':
      return {
        ...machine,
        systemDisk: onKind(machine.systemDisk, choice.kind),
      }
    case 'disk-room':
      return { ...machine, systemDisk: { ...machine.systemDisk, roomGiB: choice.roomGiB } }
    case 'data-disk':
      return choice.disk
        ? { ...machine, dataDisks: reshaped(machine.dataDisks, choice.position, choice.disk) }
        : withoutDataDisk(machine, choice.position)
    case 'new-disk':
      return choice.disk
        ? { ...machine, dataDisks: [...machine.dataDisks, { ...choice.disk, goes: true }] }
        : machine
    case 'snapshots':
      return withSnapshots(machine, choice.scheme)
    case 'address':
      return { ...machine, address: choice.address }
    case 'off':
      return withOffPlan(machine, choice)
    case 'week':
      return { ...machine, week: choice.week.id }
    case 'traffic':
      return { ...machine, trafficOutGiB: choice.trafficOutGiB }
  }
}

function withImage(machine: Machine, image: string, ownLicence: boolean): Machine {
  const { ownLicence: before, ...rest } = machine
  return before || ownLicence ? { ...rest, image, ownLicence } : { ...rest, image }
}

const withShape = (disk: Disk, { kind, roomGiB }: DiskShape): Disk => ({ ...onKind(disk, kind), roomGiB })

const reshaped = (disks: readonly Disk[], position: number, shape: DiskShape): readonly Disk[] =>
  disks.map((disk, i) => (i === position - 1 ? withShape(disk, shape) : disk))

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

function withSnapshots(machine: Machine, scheme: SnapshotScheme): Machine {
  if (scheme === 'as-is') return machine
  const change = ({ snapshots, ...disk }: Disk): Disk =>
    scheme === 'none'
      ? disk
      : { ...disk, snapshots: { changedPercent: USUAL_CHANGED_PERCENT, ...snapshots, ...scheme } }
  return { ...machine, systemDisk: change(machine.systemDisk), dataDisks: machine.dataDisks.map(change) }
}

/** A choice's name within its plate, fit for a key and an address. */
export function choiceKey(choice: Choice): string {
  switch (choice.decision) {
    case 'size':
      return choice.size
    case 'vcpu':
      return String(choice.chosen.vcpu)
    case 'memory':
      return String(choice.chosen.memoryGiB)
    case 'place':
      return `${choice.provider}-${choice.region}-${choice.zone}`
    case 'terms':
      return choice.terms
    case 'image':
      return choice.ownLicence ? `${choice.image}-own` : choice.image
    case 'disk-kind':
      return choice.kind
    case 'disk-room':
      return String(choice.roomGiB)
    case 'data-disk':
    case 'new-disk':
      return choice.disk ? `${choice.disk.kind}-${choice.disk.roomGiB}` : 'none'
    case 'snapshots':
      return typeof choice.scheme === 'string'
        ? choice.scheme
        : `${choice.scheme.every}-${choice.scheme.kept}`
    case 'address':
      return choice.address
    case 'off':
      return offPlanKey(choice)
    case 'week':
      return choice.week.id
    case 'traffic':
      return String(choice.trafficOutGiB)
  }
}
