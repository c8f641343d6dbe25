import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { MIB_PER_GIB } from './clockPieces.ts'

/** Whole MiB out a month beyond what the size includes. */
export function payableTraffic({ machine, size }: ResolvedMachine): number {
  const asked = (machine.trafficOutGiB ?? 0) * MIB_PER_GIB
  return Math.max(0, asked - (size.includedTrafficGiB ?? 0) * MIB_PER_GIB)
}
