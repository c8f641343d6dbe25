import { ownValue } from '../ownValue.ts'
import type { DiskKind } from '../catalogue/priceBook.ts'
import { leastOf, mayCarry } from '../catalogue/notKnown.ts'
import { diskIops, diskThroughput, sumOfKnown } from '../catalogue/diskPerformance.ts'
import { chargedRoom, diskRate } from '../catalogue/diskRates.ts'
import { snapshotRate } from '../catalogue/regionRates.ts'
import { meetsImageNeed } from '../machine/imageNeed.ts'
import type { Disk } from '../machine/plan.ts'
import { disksOf, type ResolvedDisk, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { gib, type GiB } from '../quantity/units.ts'
import type { FitCheck } from './fitCheck.ts'

/** The room that is provided, or what is asked for where the kind has no such room. */
const roomOf = ({ disk, kind }: ResolvedDisk, { size }: ResolvedMachine): GiB =>
  chargedRoom(kind, disk.roomGiB, size) ?? disk.roomGiB

export const systemRoom = (resolved: ResolvedMachine): GiB =>
  roomOf({ position: 0, disk: resolved.machine.systemDisk, kind: resolved.systemKind }, resolved)

/** What all disks give together; undefined where it is not known of one. */
const iopsTogether = (resolved: ResolvedMachine): number | undefined =>
  sumOfKnown(
    disksOf(resolved).map((each) => diskIops(each.kind, roomOf(each, resolved), each.disk.extraIops)),
  )

const throughputTogether = (resolved: ResolvedMachine): number | undefined =>
  sumOfKnown(
    disksOf(resolved).map((each) =>
      diskThroughput(each.kind, roomOf(each, resolved), each.disk.extraMegabytesPerSecond),
    ),
  )

/** What disks must be and give; each is asked of the disks that a decision is about. */
export const DISK_CHECKS: readonly FitCheck[] = [
  {
    concerns: ['disk-kind', 'disk-room', 'data-disk', 'new-disk'],
    find: (resolved) => {
      const { iops } = resolved.machine.needs
      if (iops === 0) return undefined
      const has = iopsTogether(resolved)
      return has === undefined || has >= iops
        ? undefined
        : { code: 'too-few-iops', has: Math.floor(has), needs: iops, limit: 'disk' }
    },
  },
  {
    concerns: ['disk-kind', 'disk-room', 'data-disk', 'new-disk'],
    find: (resolved) => {
      const least = resolved.machine.needs.megabytesPerSecond ?? 0
      if (least === 0) return undefined
      const has = throughputTogether(resolved)
      return has === undefined || has >= least
        ? undefined
        : { code: 'too-little-throughput', has: Math.floor(has), needs: least, limit: 'disk' }
    },
  },
  {
    concerns: ['disk-kind', 'disk-room', 'data-disk', 'new-disk'],
    find: (resolved) => {
      const least = resolved.machine.needs.diskGiB ?? 0
      if (least === 0) return undefined
      const has = gib(disksOf(resolved).reduce((sum, each) => sum + roomOf(each, resolved), 0))
      return has >= least ? undefined : { code: 'too-little-disk', has, needs: gib(least) }
    },
  },
  {
    concerns: ['size', 'disk-kind', 'data-disk', 'new-disk'],
    find: ({ size, index }, disks) => {
      const missing = disks.find(({ kind }) => !mayCarry(size, kind.id))
      if (!missing) return undefined
      const carries = (size.diskKinds ?? []).map((id) => index.diskKinds.get(id)?.name ?? id)
      return { code: 'disk-kind-not-carried', size: size.name, kind: missing.kind.name, carries }
    },
  },
  {
    concerns: ['disk-kind', 'data-disk', 'new-disk', 'place'],
    find: ({ region }, disks) => {
      const missing = disks.find(
        ({ kind }) => kind.room.by !== 'size' && !ownValue(region.prices.disks, kind.id),
      )
      return (
        missing && {
          code: 'disk-kind-not-sold-here',
          kind: missing.kind.name,
          place: region.region.name,
        }
      )
    },
  },
  {
    concerns: ['disk-kind'],
    find: ({ systemKind }) =>
      systemKind.boots ? undefined : { code: 'disk-kind-does-not-boot', kind: systemKind.name },
  },
  {
    concerns: ['disk-kind', 'disk-room', 'data-disk', 'new-disk'],
    find: ({ region }, disks) => {
      for (const { kind, disk } of disks) {
        const { room } = kind
        if (
          room.by === 'size' ||
          !ownValue(region.prices.disks, kind.id) ||
          diskRate(region, kind, disk.roomGiB)
        )
          continue
        const most = room.by === 'step' ? room.stepsGiB.at(-1)! : room.mostGiB
        return { code: 'room-not-offered', kind: kind.name, asked: disk.roomGiB, most }
      }
      return undefined
    },
  },
  {
    concerns: ['image'],
    find: ({ image, machine: { needs } }) =>
      needs.image === undefined || meetsImageNeed(image, needs.image)
        ? undefined
        : { code: 'image-not-wanted', image: image.name, needs: needs.image },
  },
  {
    concerns: ['disk-room', 'disk-kind', 'image'],
    find: (resolved) => {
      const { image } = resolved
      const has = systemRoom(resolved)
      const { diskGiB: needs } = leastOf(image)
      return has >= needs ? undefined : { code: 'image-too-large', image: image.name, has, needs }
    },
  },
  {
    concerns: ['size', 'disk-kind', 'data-disk', 'new-disk'],
    find: ({ size }, disks) =>
      disks.some(({ kind }) => kind.room.by === 'size') && size.localDiskGiB === undefined
        ? { code: 'no-own-disk', size: size.name }
        : undefined,
  },
  {
    concerns: ['disk-kind', 'data-disk'],
    find: (_, disks) => {
      const over = disks.find(({ kind, disk }) => !sellsIopsOf(kind, disk))
      if (!over) return undefined
      const { kind, disk } = over
      return {
        code: 'iops-not-sold',
        kind: kind.name,
        asked: disk.extraIops!,
        most: kind.iops?.boughtMost ?? 0,
      }
    },
  },
  {
    concerns: ['snapshots', 'place'],
    find: ({ region }, disks) =>
      snapshotRate(region) === undefined && disks.some(({ disk }) => (disk.snapshots?.kept ?? 0) > 0)
        ? { code: 'snapshots-not-sold-here', place: region.region.name }
        : undefined,
  },
]

/** Whether a kind sells the operations on top that a disk asks for; wherever it stands, and whatever size carries it. */
export const sellsIopsOf = ({ iops }: DiskKind, { extraIops = 0 }: Disk): boolean =>
  extraIops <= (iops?.boughtMost ?? 0)
