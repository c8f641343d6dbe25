import type { DiskKind, PerformanceRule } from './priceBook.ts'

/** Figures have no more digits than these: 0.57 x 100 is 57, though not in binary. */
const MILLIONTHS = 1_000_000

/** clamp(base + perGiB × charged GiB, least, most) + what is bought on top. */
function performance(rule: PerformanceRule | undefined, chargedGiB: number, bought = 0): number | undefined {
  if (!rule) return undefined
  const byRoom = Math.round(rule.perGiB * chargedGiB * MILLIONTHS) / MILLIONTHS
  return Math.min(rule.most, Math.max(rule.least ?? 0, rule.base + byRoom)) + bought
}

/** IOPS of a disk with this charged room; undefined where the book does not say. */
export const diskIops = (kind: DiskKind, chargedGiB: number, bought = 0): number | undefined =>
  performance(kind.iops, chargedGiB, bought)

/** Megabytes (10^6 bytes) a second of a disk with this charged room; undefined where the book does not say. */
export const diskThroughput = (kind: DiskKind, chargedGiB: number, bought = 0): number | undefined =>
  performance(kind.megabytesPerSecond, chargedGiB, bought)

/** What all give together; undefined where it is not known of one. */
export const sumOfKnown = (figures: readonly (number | undefined)[]): number | undefined =>
  figures.reduce<number | undefined>(
    (sum, figure) => (sum === undefined || figure === undefined ? undefined : sum + figure),
    0,
  )
