import type { DiskKind, PerformanceRule } from './priceBook.ts'

/** Figures have no more digits than these: 0.57 x 100 is 57, though not in binary. */
const MILLIONTHS = 1_000_000

/** clamp(base + perGiB × charged GiB, least, most) + what is bought on top. */
function performance(rule: PerformanceRule, chargedGiB: number, bought = 0): number {
  const byRoom = Math.round(rule.perGiB * chargedGiB * MILLIONTHS) / MILLIONTHS
  return Math.min(rule.most, Math.max(rule.least ?? 0, rule.base + byRoom)) + bought
}

/** IOPS of a disk with this charged room. */
export const diskIops = (kind: DiskKind, chargedGiB: number, bought = 0): number =>
  performance(kind.iops, chargedGiB, bought)

/** Megabytes (10^6 bytes) a second of a disk with this charged room. */
export const diskThroughput = (kind: DiskKind, chargedGiB: number, bought = 0): number =>
  performance(kind.megabytesPerSecond, chargedGiB, bought)
