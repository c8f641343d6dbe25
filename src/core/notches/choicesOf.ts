import type { WeekPlan } from '../calendar/weekPlan.ts'
import { offeredRooms } from '../catalogue/diskRates.ts'
import type { DiskKind, Size, SizeChoice } from '../catalogue/priceBook.ts'
import { trafficBands } from '../catalogue/regionRates.ts'
import type { Choice, DiskShape, SnapshotScheme } from '../machine/choice.ts'
import { proposedChoice } from '../machine/chosenSize.ts'
import type { Decision } from '../machine/decision.ts'
import { disksOf, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { offPlanOf, type OffPlan } from '../off/offPlan.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { gib, type GiB } from '../quantity/units.ts'
import { nearWeeks } from './nearWeeks.ts'

/** A decision about one machine; position counts its data disks from 1. */
export interface MachineDecision {
  readonly decision: Decision
  readonly position?: number
}

/** The decisions that this machine leaves, in the order of its plates. */
export function decisionsOf({ machine, size, region }: ResolvedMachine): MachineDecision[] {
  const steps: Decision[] = size.choice ? ['vcpu', 'memory'] : []
  const traffic: Decision[] = trafficBands(region) || machine.trafficOutGiB ? ['traffic'] : []
  return [
    { decision: 'size' },
    ...steps.map((decision) => ({ decision })),
    { decision: 'place' },
    { decision: 'terms' },
    { decision: 'image' },
    { decision: 'disk-kind' },
    { decision: 'disk-room' },
    ...machine.dataDisks.map((_, i) => ({ decision: 'data-disk' as const, position: i + 1 })),
    { decision: 'new-disk' },
    { decision: 'snapshots' },
    { decision: 'address' },
    { decision: 'off' },
    { decision: 'week' },
    ...traffic.map((decision) => ({ decision })),
  ]
}

/** Every choice of one decision about this machine within its provider, the present one among them. */
export function choicesOf(
  resolved: ResolvedMachine,
  { decision, position = 1 }: MachineDecision,
  weeks: readonly WeekPlan[],
): Choice[] {
  const { book } = resolved.index
  const { machine, size } = resolved
  switch (decision) {
    case 'size':
      return book.sizes.map((each) => sizeChoice(each, resolved))
    case 'vcpu':
      return stepsNear(size.choice?.vcpu, size.vcpu).map((vcpu) => ({
        decision,
        chosen: { vcpu, memoryGiB: size.memoryGiB },
      }))
    case 'memory':
      return stepsNear(size.choice?.memoryGiB, size.memoryGiB).map((memory) => ({
        decision,
        chosen: { vcpu: size.vcpu, memoryGiB: gib(memory) },
      }))
    case 'place':
      return book.regions.flatMap(({ id, zones }) =>
        zones.map((zone) => ({ decision, provider: book.provider.id, region: id, zone })),
      )
    case 'terms':
      return book.terms.map(({ id }) => ({ decision, terms: id }))
    case 'image':
      return imageChoices(resolved)
    case 'disk-kind':
      return book.diskKinds.map(({ id }) => ({ decision, kind: id }))
    case 'disk-room': {
      const rooms = new Set(offeredRooms(resolved.systemKind)).add(machine.systemDisk.roomGiB)
      return [...rooms].map((roomGiB) => ({ decision, roomGiB }))
    }
    case 'data-disk': {
      const shapes = diskShapes(book.diskKinds, machine.dataDisks[position - 1])
      return [undefined, ...shapes].map((disk) => ({ decision, position, disk }))
    }
    case 'new-disk':
      return [undefined, ...diskShapes(book.diskKinds, undefined)].map((disk) => ({ decision, disk }))
    case 'snapshots':
      return snapshotSchemes(resolved).map((scheme) => ({ decision, scheme }))
    case 'address':
      return (['none', 'changing', 'fixed'] as const).map((address) => ({ decision, address }))
    case 'off':
      return offPlans(resolved).map((plan) => ({ decision, ...plan }))
    case 'week':
      return [...weeks, ...nearWeeks(resolved.week, weeks).map((near) => near.week)].map((week) => ({
        decision,
        week,
      }))
    case 'traffic':
      return trafficAmounts(machine.trafficOutGiB ?? 0).map((trafficOutGiB) => ({ decision, trafficOutGiB }))
  }
}

/** One state for every gap, and the machine's own mix of them. */
function offPlans({ machine, index: { book } }: ResolvedMachine): OffPlan[] {
  const plain = POWER_STATES.filter((off) => book.states[off]).map((off): OffPlan => ({ off }))
  return machine.longGaps ? [...plain, offPlanOf(machine)] : plain
}

/** The choice that the machine stands at. */
export function presentChoice(
  resolved: ResolvedMachine,
  { decision, position = 1 }: MachineDecision,
): Choice {
  const { machine, size, week } = resolved
  const chosen = { vcpu: size.vcpu, memoryGiB: size.memoryGiB }
  switch (decision) {
    case 'size':
      return { decision, size: machine.size }
    case 'vcpu':
    case 'memory':
      return { decision, chosen }
    case 'place':
      return { decision, provider: machine.provider, region: machine.region, zone: machine.zone }
    case 'terms':
      return { decision, terms: machine.terms }
    case 'image':
      return { decision, image: machine.image, ownLicence: usesOwnLicence(resolved) }
    case 'disk-kind':
      return { decision, kind: machine.systemDisk.kind }
    case 'disk-room':
      return { decision, roomGiB: machine.systemDisk.roomGiB }
    case 'data-disk':
      return { decision, position, disk: machine.dataDisks[position - 1] }
    case 'new-disk':
      return { decision, disk: undefined }
    case 'snapshots':
      return { decision, scheme: presentScheme(resolved) }
    case 'address':
      return { decision, address: machine.address }
    case 'off':
      return { decision, ...offPlanOf(machine) }
    case 'week':
      return { decision, week }
    case 'traffic':
      return { decision, trafficOutGiB: machine.trafficOutGiB ?? gib(0) }
  }
}

/** A size of free choice is offered with what is needed, unless the machine has chosen already. */
function sizeChoice(size: Size, { machine, size: present }: ResolvedMachine): Choice {
  const chosen = size.choice && !machine.chosen && proposedChoice(size, machine.needs, present)
  return chosen ? { decision: 'size', size: size.id, chosen } : { decision: 'size', size: size.id }
}

/** More steps than these are thinned out away from the present one: nobody can tell them apart on a plate. */
const MOST_STEPS = 96
const STEPS_AT_HAND = 6

function stepsNear(steps: SizeChoice['vcpu'] | undefined, present: number): number[] {
  if (!steps) return [present]
  const { least, most, step } = steps
  const count = Math.floor((most - least) / step) + 1
  const every = Math.ceil(count / MOST_STEPS)
  const at = (present - least) / step
  const values = new Set([present])
  const add = (i: number): unknown => i >= 0 && i < count && values.add(least + i * step)
  for (let i = 0; i < count; i += every) add(i)
  for (let i = Math.ceil(at - STEPS_AT_HAND); i <= at + STEPS_AT_HAND; i += 1) add(i)
  return [...values]
}

const canOwn = ({ index }: ResolvedMachine, licence: string | undefined): boolean =>
  licence !== undefined && (index.licences.get(licence)?.licence.ownLicence ?? false)

const usesOwnLicence = (resolved: ResolvedMachine): boolean =>
  (resolved.machine.ownLicence ?? false) && canOwn(resolved, resolved.image.licence)

const imageChoices = (resolved: ResolvedMachine): Choice[] =>
  resolved.index.book.images.flatMap(({ id, licence }) => {
    const choice = { decision: 'image', image: id, ownLicence: false } as const
    return canOwn(resolved, licence) ? [choice, { ...choice, ownLicence: true }] : [choice]
  })

/** Each kind that is sold as a disk of its own, in each room that is worth offering. */
function diskShapes(kinds: readonly DiskKind[], present: DiskShape | undefined): DiskShape[] {
  const shapes = kinds
    .filter(({ room }) => room.by !== 'size')
    .flatMap((kind) => offeredRooms(kind).map((roomGiB) => ({ kind: kind.id, roomGiB })))
  const isThere =
    !present || shapes.some(({ kind, roomGiB }) => kind === present.kind && roomGiB === present.roomGiB)
  return isThere ? shapes : [...shapes, { kind: present.kind, roomGiB: present.roomGiB }]
}

const SCHEMES: readonly SnapshotScheme[] = [
  'none',
  { every: 'month', kept: 3 },
  { every: 'week', kept: 1 },
  { every: 'week', kept: 4 },
  { every: 'day', kept: 7 },
  { every: 'day', kept: 14 },
  { every: 'stop', kept: 1 },
]

/** The scheme that all disks share, if they do. */
function presentScheme(resolved: ResolvedMachine): SnapshotScheme {
  const schemes = disksOf(resolved).map(({ disk: { snapshots } }): SnapshotScheme =>
    snapshots ? { every: snapshots.every, kept: snapshots.kept } : 'none',
  )
  return schemes.every((scheme) => sameScheme(scheme, schemes[0]!)) ? schemes[0]! : 'as-is'
}

const sameScheme = (a: SnapshotScheme, b: SnapshotScheme): boolean =>
  typeof a === 'string' || typeof b === 'string' ? a === b : a.every === b.every && a.kept === b.kept

function snapshotSchemes(resolved: ResolvedMachine): SnapshotScheme[] {
  const present = presentScheme(resolved)
  return SCHEMES.some((scheme) => sameScheme(scheme, present)) ? [...SCHEMES] : [...SCHEMES, present]
}

const AMOUNTS = [0, 10, 50, 100, 250, 500, 1_000, 2_500, 5_000, 10_000]

const trafficAmounts = (present: number): GiB[] =>
  [...new Set([...AMOUNTS, present])].sort((a, b) => a - b).map(gib)
