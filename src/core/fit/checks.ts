import { zonesSelling } from '../catalogue/bookIndex.ts'
import { diskIops } from '../catalogue/diskPerformance.ts'
import { sizeRates } from '../catalogue/sizeRates.ts'
import { chargedRoom, diskRate } from '../catalogue/diskRates.ts'
import { addressRate } from '../catalogue/regionRates.ts'
import type { Decision } from '../machine/choice.ts'
import type { SizeChoice } from '../catalogue/priceBook.ts'
import { disksOf, type ResolvedMachine } from '../machine/resolveMachine.ts'
import type { OffState } from '../power/powerState.ts'
import { gib, type GiB } from '../quantity/units.ts'
import type { FitReason } from './fitReason.ts'

/** One rule of fit, and the decisions that could mend it: a choice is closed only by rules that concern its decision. */
export interface FitCheck {
  readonly concerns: readonly Decision[]
  readonly find: (machine: ResolvedMachine) => FitReason | undefined
}

/** The room that is provided, or what is asked for where the kind has no such room. */
const providedRoom = ({ systemKind, machine, size }: ResolvedMachine): GiB =>
  chargedRoom(systemKind, machine.systemDisk.roomGiB, size) ?? machine.systemDisk.roomGiB

const placeName = ({ region, machine }: ResolvedMachine): string => `${region.region.name} ${machine.zone}`

const hibernates = ({ machine }: ResolvedMachine): boolean => machine.off === 'hibernated'

export const FIT_CHECKS: readonly FitCheck[] = [
  {
    concerns: ['size'],
    find: ({ size, machine: { needs }, image }) => {
      const least = Math.max(needs.vcpu, image.least.vcpu)
      if (size.vcpu >= least) return undefined
      return {
        code: 'too-few-vcpu',
        has: size.vcpu,
        needs: least,
        by: least > needs.vcpu ? 'image' : 'needs',
      }
    },
  },
  {
    concerns: ['size'],
    find: ({ size, machine: { needs }, image }) => {
      const least = gib(Math.max(needs.memoryGiB, image.least.memoryGiB))
      if (size.memoryGiB >= least) return undefined
      const by = least > needs.memoryGiB ? 'image' : 'needs'
      return { code: 'too-little-memory', has: size.memoryGiB, needs: least, by }
    },
  },
  {
    concerns: ['size'],
    find: ({ size, image }) =>
      image.architectures.includes(size.architecture)
        ? undefined
        : {
            code: 'wrong-architecture',
            image: image.name,
            has: size.architecture,
            needs: image.architectures,
          },
  },
  {
    concerns: ['size'],
    find: ({ size, machine: { needs } }) =>
      size.iops >= needs.iops
        ? undefined
        : { code: 'too-few-iops', has: size.iops, needs: needs.iops, limit: 'size' },
  },
  {
    concerns: ['disk-kind', 'disk-room'],
    find: (resolved) => {
      const { systemDisk } = resolved.machine
      const has = diskIops(resolved.systemKind, providedRoom(resolved), systemDisk.extraIops)
      const needs = resolved.machine.needs.iops
      return has >= needs ? undefined : { code: 'too-few-iops', has, needs, limit: 'disk' }
    },
  },
  {
    concerns: ['size', 'place'],
    find: (resolved) => {
      const soldIn = zonesSelling(resolved.region, resolved.size.id)
      if (soldIn.includes(resolved.machine.zone)) return undefined
      return { code: 'not-sold-here', size: resolved.size.name, place: placeName(resolved), soldIn }
    },
  },
  {
    concerns: ['size', 'place'],
    find: (resolved) => {
      const { region, size, terms } = resolved
      if (zonesSelling(region, size.id).length === 0 || sizeRates(region, size.id, terms)) return undefined
      return { code: 'not-sold-on-terms', size: size.name, terms: terms.name, place: region.region.name }
    },
  },
  {
    concerns: ['size', 'disk-kind'],
    find: ({ size, systemKind, dataKinds, index }) => {
      const missing = [systemKind, ...dataKinds].find((kind) => !size.diskKinds.includes(kind.id))
      if (!missing) return undefined
      const carries = size.diskKinds.map((id) => index.diskKinds.get(id)?.name ?? id)
      return { code: 'disk-kind-not-carried', size: size.name, kind: missing.name, carries }
    },
  },
  {
    concerns: ['disk-kind', 'place'],
    find: ({ region, systemKind, dataKinds }) => {
      const missing = [systemKind, ...dataKinds].find(
        (kind) => kind.room.by !== 'size' && !region.prices.disks[kind.id],
      )
      return missing && { code: 'disk-kind-not-sold-here', kind: missing.name, place: region.region.name }
    },
  },
  {
    concerns: ['disk-kind'],
    find: ({ systemKind }) =>
      systemKind.boots ? undefined : { code: 'disk-kind-does-not-boot', kind: systemKind.name },
  },
  {
    concerns: ['disk-kind', 'disk-room'],
    find: ({ region, systemKind, dataKinds, machine }) => {
      const disks = [machine.systemDisk, ...machine.dataDisks]
      for (const [i, kind] of [systemKind, ...dataKinds].entries()) {
        const asked = disks[i]!.roomGiB
        if (kind.room.by === 'size' || !region.prices.disks[kind.id] || diskRate(region, kind, asked))
          continue
        const most = kind.room.by === 'step' ? kind.room.stepsGiB.at(-1)! : kind.room.mostGiB
        return { code: 'room-not-offered', kind: kind.name, asked, most }
      }
      return undefined
    },
  },
  {
    concerns: ['size'],
    find: ({ size, dataKinds }) =>
      dataKinds.length < size.mostDisks
        ? undefined
        : { code: 'too-many-disks', has: dataKinds.length + 1, most: size.mostDisks },
  },
  {
    concerns: ['place'],
    find: ({ region, machine }) => {
      const sold = machine.address === 'none' || addressRate(region, machine.address, 'attachedOn')
      return sold ? undefined : { code: 'address-not-sold-here', place: region.region.name }
    },
  },
  {
    concerns: ['disk-room', 'disk-kind'],
    find: (resolved) => {
      const { image } = resolved
      const has = providedRoom(resolved)
      if (has >= image.least.diskGiB) return undefined
      return { code: 'image-too-large', image: image.name, has, needs: image.least.diskGiB }
    },
  },
  {
    concerns: ['off'],
    find: ({ machine, index: { book } }) =>
      book.states[machine.off]
        ? undefined
        : { code: 'state-not-offered', state: machine.off, provider: book.provider.name },
  },
  {
    concerns: ['off'],
    find: (resolved) =>
      hibernates(resolved) && !resolved.image.hibernation
        ? { code: 'no-hibernation', by: 'image', name: resolved.image.name }
        : undefined,
  },
  {
    concerns: ['size', 'off'],
    find: (resolved) =>
      hibernates(resolved) && !resolved.size.hibernation
        ? { code: 'no-hibernation', by: 'size', name: resolved.size.name }
        : undefined,
  },
  {
    concerns: ['size', 'off'],
    find: (resolved) => {
      const most = resolved.index.book.hibernation?.mostMemoryGiB
      const memory = resolved.size.memoryGiB
      if (!hibernates(resolved) || most === undefined || memory <= most) return undefined
      return { code: 'over-hibernation-limit', memory, most }
    },
  },
  {
    concerns: ['size', 'disk-room', 'off'],
    find: (resolved) => {
      if (!hibernates(resolved)) return undefined
      const room = providedRoom(resolved)
      const used = resolved.image.usedGiB
      const memory = resolved.size.memoryGiB
      return used + memory <= room ? undefined : { code: 'no-room-for-memory', room, used, memory }
    },
  },
  {
    concerns: ['size', 'disk-kind'],
    find: ({ size, systemKind, dataKinds }) =>
      [systemKind, ...dataKinds].some(({ room }) => room.by === 'size') && size.localDiskGiB === undefined
        ? { code: 'no-own-disk', size: size.name }
        : undefined,
  },
  {
    concerns: ['disk-kind', 'off'],
    find: ({ systemKind, machine }) =>
      systemKind.room.by === 'size' && givesHardwareBack(machine.off)
        ? { code: 'own-disk-lost', kind: systemKind.name, state: machine.off }
        : undefined,
  },
  {
    concerns: ['off'],
    find: ({ terms, machine }) =>
      terms.kind === 'spot' && machine.off === 'hibernated' && !terms.hibernation
        ? { code: 'no-hibernation', by: 'terms', name: terms.name }
        : undefined,
  },
  {
    concerns: ['off'],
    find: ({ machine }) =>
      machine.off === 'deleted' && machine.systemDisk.goes && !machine.systemDisk.snapshots?.kept
        ? { code: 'nothing-to-restore' }
        : undefined,
  },
  {
    concerns: ['disk-kind'],
    find: (resolved) => {
      for (const { kind, disk } of disksOf(resolved)) {
        const most = kind.iops.boughtMost ?? 0
        if ((disk.extraIops ?? 0) > most) {
          return { code: 'iops-not-sold', kind: kind.name, asked: disk.extraIops!, most }
        }
      }
      return undefined
    },
  },
  {
    concerns: ['size'],
    find: ({ size, machine: { chosen } }) => {
      if (!size.choice || !chosen) return undefined
      const { vcpu, memoryGiB } = size.choice
      return onSteps(chosen.vcpu, vcpu) && onSteps(chosen.memoryGiB, memoryGiB)
        ? undefined
        : { code: 'outside-choice', size: size.name, vcpu, memoryGiB }
    },
  },
]

const givesHardwareBack = (off: OffState): boolean => off !== 'running' && off !== 'stopped'

const onSteps = (value: number, { least, most, step }: SizeChoice['vcpu']): boolean =>
  value >= least && value <= most && Number.isInteger((value - least) / step)
