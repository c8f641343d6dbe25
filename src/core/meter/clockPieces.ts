import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedDisk } from '../machine/resolveMachine.ts'
import type { GiB } from '../quantity/units.ts'
import type { Charge } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { scaled, type Pieces } from './pieces.ts'

export const MIB_PER_GIB = 1_024

/** Charged time against rates per hour, in ticks of the month's reading. */
export const hourPieces = (pieces: Pieces, month: BillingMonth): Pieces =>
  scaled(pieces, hourClock(month).ticksPerSecond)

export function hourTicks(month: BillingMonth): Pick<Charge, 'ticksPerPeriod' | 'ticksPerSecond'> {
  const { ticksPerHour, ticksPerSecond } = hourClock(month)
  return { ticksPerPeriod: ticksPerHour, ticksPerSecond }
}

/** A disk that goes with the machine is there while the machine is. */
export const diskPieces = (metered: MeteredMonth, { disk }: ResolvedDisk): Pieces =>
  disk.goes ? metered.exists : metered.always

/** GiB-months are counted in MiB-seconds: each second counts the disk's MiB. */
export const inMebibytes = (pieces: Pieces, chargedGiB: GiB): Pieces =>
  scaled(pieces, chargedGiB * MIB_PER_GIB)
