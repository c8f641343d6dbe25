import type { DiskKind, PerformanceRule } from './priceBook.ts'

/** clamp(base + perGiB × charged GiB, least, most) + what is bought on top. */
const performance = (rule: PerformanceRule, chargedGiB: number, bought = 0): number =>
  Math.min(rule.most, Math.max(rule.least ?? 0, rule.base + rule.perGiB * chargedGiB)) + bought

/** IOPS of a disk with this charged room. */
export const diskIops = (kind: DiskKind, chargedGiB: number, bought = 0): number =>
  performance(kind.iops, chargedGiB, bought)

/** Megabytes (10^6 bytes) a second of a disk with this charged room. */
export const diskThroughput = (kind: DiskKind, chargedGiB: number, bought = 0): number =>
  performance(kind.megabytesPerSecond, chargedGiB, bought)
