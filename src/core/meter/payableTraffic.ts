import type { HardwareReads } from './chargeReads.ts'
import { MIB_PER_GIB } from './clockPieces.ts'
import type { MeteredMonth } from './meteredMonth.ts'

/** Whole MiB out a month beyond what the size includes; none in a month in which the machine never runs. */
export function payableTraffic(
  { trafficOutGiB, includedTrafficGiB }: Pick<HardwareReads, 'trafficOutGiB' | 'includedTrafficGiB'>,
  { running }: MeteredMonth,
): number {
  if (running.ticks === 0) return 0
  const asked = (trafficOutGiB ?? 0) * MIB_PER_GIB
  return Math.max(0, asked - (includedTrafficGiB ?? 0) * MIB_PER_GIB)
}
