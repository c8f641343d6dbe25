import { diskRate, extraIopsRate, extraThroughputRate } from '../catalogue/diskRates.ts'
import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import type { DiskKind } from '../catalogue/priceBook.ts'
import { keptFor } from '../keptFor.ts'
import type { Disk } from '../machine/plan.ts'
import { toNumber } from '../quantity/exact.ts'

const kept: (index: BookIndex) => Map<string, Float64Array> = keptFor(() => new Map())

/**
 * What a disk costs in each region of a book, in their order, in a month in which it is there throughout: its room and
 * what is bought on top, as floating numbers for bounds. NaN where it is not sold. Kept, since the same few disks are
 * asked for again and again: eight bytes a region.
 */
export function diskMonths(index: BookIndex, disk: Disk): Float64Array {
  const ofBook = kept(index)
  const key = `${disk.kind}/${disk.roomGiB}/${disk.extraIops ?? 0}/${disk.extraMegabytesPerSecond ?? 0}`
  let months = ofBook.get(key)
  if (!months) {
    const kind = index.diskKinds.get(disk.kind)!
    months = Float64Array.from(index.regions.values(), (region) => priceDisk(region, kind, disk) ?? NaN)
    if (ofBook.size >= MOST_KEPT) ofBook.clear()
    ofBook.set(key, months)
  }
  return months
}

const MOST_KEPT = 2_000

function priceDisk(region: RegionIndex, kind: DiskKind, disk: Disk): number | undefined {
  if (kind.room.by === 'size') return 0
  const found = diskRate(region, kind, disk.roomGiB)
  if (!found) return undefined
  let cost = found.parts.reduce((sum, { rate, units }) => sum + toNumber(rate.value) * units, 0)
  const { extraIops = 0, extraMegabytesPerSecond = 0 } = disk
  const extras = [
    [extraIops, extraIopsRate],
    [extraMegabytesPerSecond, extraThroughputRate],
  ] as const
  for (const [bought, rateIn] of extras) {
    if (bought === 0) continue
    const rate = rateIn(region, kind)
    if (!rate) return undefined
    cost += toNumber(rate.value) * bought
  }
  return cost
}
