import { diskIops, diskThroughput, sumOfKnown } from '../catalogue/diskPerformance.ts'
import { chargedRoom } from '../catalogue/diskRates.ts'
import type { PerformanceRule } from '../catalogue/priceBook.ts'
import { disksOf, type ResolvedDisk, type ResolvedMachine } from '../machine/resolveMachine.ts'
import type { GiB } from '../quantity/units.ts'

/** What keeps a figure from being higher: the disk's room, the kind's own most, or what the size passes; or one of them is not known. */
type ReachLimit = 'room' | 'kind' | 'size' | 'not-known'

export interface Reach {
  /** What the disk could give; absent where the book does not say. */
  readonly given?: number
  /** What the machine gets of it; absent where that of the disk or of the size is not known. */
  readonly reached?: number
  readonly limit: ReachLimit
}

interface DiskReach {
  readonly position: number
  readonly kind: string
  readonly askedGiB: GiB
  /** Provided and charged. */
  readonly chargedGiB: GiB
  readonly iops: Reach
  /** Megabytes (10^6 bytes) a second. */
  readonly throughput: Reach
}

export interface MachineReach {
  readonly disks: readonly DiskReach[]
  /** All disks at once. */
  readonly iops: Reach
  readonly throughput: Reach
}

/** Each disk's IOPS and throughput, and all together: the smallest of the disk's, the sum's and the size's limit. */
export function diskReach(resolved: ResolvedMachine): MachineReach {
  const { size } = resolved
  const disks = disksOf(resolved).map((each) => reachOf(each, resolved))
  const together = (figure: 'iops' | 'throughput', most: number | undefined): Reach => {
    const given = sumOfKnown(disks.map((disk) => disk[figure].given))
    if (given === undefined) return { limit: 'not-known' }
    if (most === undefined) return { given, limit: 'not-known' }
    const only = disks.length === 1 ? disks[0]![figure].limit : 'room'
    return { given, reached: Math.min(given, most), limit: given > most ? 'size' : only }
  }
  return {
    disks,
    iops: together('iops', size.iops),
    throughput: together('throughput', size.megabytesPerSecond),
  }
}

function reachOf({ position, disk, kind }: ResolvedDisk, { size }: ResolvedMachine): DiskReach {
  const charged = chargedRoom(kind, disk.roomGiB, size) ?? disk.roomGiB
  const iops = diskIops(kind, charged, disk.extraIops)
  const throughput = diskThroughput(kind, charged, disk.extraMegabytesPerSecond)
  return {
    position,
    kind: kind.name,
    askedGiB: disk.roomGiB,
    chargedGiB: charged,
    iops: limited(iops, size.iops, kind.iops, disk.extraIops),
    throughput: limited(
      throughput,
      size.megabytesPerSecond,
      kind.megabytesPerSecond,
      disk.extraMegabytesPerSecond,
    ),
  }
}

function limited(
  given: number | undefined,
  ofSize: number | undefined,
  rule: PerformanceRule | undefined,
  bought = 0,
): Reach {
  if (given === undefined || !rule) return { limit: 'not-known' }
  if (ofSize === undefined) return { given, limit: 'not-known' }
  const unbought = given - bought
  const limit = given > ofSize ? 'size' : unbought >= rule.most || rule.perGiB === 0 ? 'kind' : 'room'
  return { given, reached: Math.min(given, ofSize), limit }
}
