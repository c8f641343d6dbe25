import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedDisk } from '../machine/resolveMachine.ts'
import type { Exact } from '../quantity/exact.ts'
import { unitsExact, type Rate } from '../quantity/rate.ts'
import { lengthOf, SECONDS_PER_HOUR, type GiB, type Span } from '../quantity/units.ts'
import type { Tariff } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { scaled, type Pieces } from './pieces.ts'

export const MIB_PER_GIB = 1_024

/** Charged time against rates per hour, in ticks of the month's reading. */
export const hourPieces = (pieces: Pieces, month: BillingMonth): Pieces =>
  scaled(pieces, hourClock(month).ticksPerSecond)

/** A rate per hour, for so many units. */
export function hourTariff(rate: Rate, units: number, month: BillingMonth): Tariff {
  const { ticksPerHour, ticksPerSecond } = hourClock(month)
  return { rate, units: unitsExact(units), ticksPerPeriod: ticksPerHour, ticksPerSecond }
}

/** A rate per second, hour or month, for so many units, in ticks of the month's reading. */
export function clockTariff(rate: Rate, units: number, month: BillingMonth): Tariff {
  const { ticksPerHour, ticksPerSecond } = hourClock(month)
  const inHours = rate.per === 'second' ? ticksPerHour / SECONDS_PER_HOUR : ticksPerHour
  return {
    rate,
    units: unitsExact(units),
    ticksPerPeriod: rate.per === 'month' ? lengthOf(month) * ticksPerSecond : inHours,
    ticksPerSecond,
  }
}

/** A rate per month, for its share of the true month. */
export const monthTariff = (rate: Rate, units: Exact, month: Span): Tariff => ({
  rate,
  units,
  ticksPerPeriod: lengthOf(month),
  ticksPerSecond: 1,
})

/** A disk that goes with the machine is there while the machine is. */
export const diskPieces = (metered: MeteredMonth, { disk }: ResolvedDisk): Pieces =>
  disk.goes ? metered.exists : metered.always

/** GiB-months are counted in MiB-seconds: each second counts the disk's MiB. */
export const inMebibytes = (pieces: Pieces, chargedGiB: GiB): Pieces =>
  scaled(pieces, chargedGiB * MIB_PER_GIB)
