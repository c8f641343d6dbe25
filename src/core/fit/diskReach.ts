import { diskIops, diskThroughput } from '../catalogue/diskPerformance.ts'
import { chargedRoom } from '../catalogue/diskRates.ts'
import type { PerformanceRule } from '../catalogue/priceBook.ts'
import { disksOf, type ResolvedDisk, type ResolvedMachine } from '../machine/resolveMachine.ts'
import type { GiB } from '../quantity/units.ts'

/** What keeps a figure from being higher: the disk's room, the kind's own most, or what the size passes. */
type ReachLimit = 'room' | 'kind' | 'size'

export interface Reach {
  /** What the disk could give. */
  readonly given: number
  /** What the machine gets of it. */
  readonly reached: number
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
  const together = (figure: 'iops' | 'throughput', most: number): Reach => {
    const given = disks.reduce((sum, disk) => sum + disk[figure].given, 0)
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
    iops: limited(iops, size.iops, kind.iops, iops - (disk.extraIops ?? 0)),
    throughput: limited(
      throughput,
      size.megabytesPerSecond,
      kind.megabytesPerSecond,
      throughput - (disk.extraMegabytesPerSecond ?? 0),
    ),
  }
}

function limited(given: number, ofSize: number, rule: PerformanceRule, unbought: number): Reach {
  const limit = given > ofSize ? 'size' : unbought >= rule.most || rule.perGiB === 0 ? 'kind' : 'room'
  return { given, reached: Math.min(given, ofSize), limit }
}
