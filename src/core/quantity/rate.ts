import { parseDecimal } from './decimal.ts'
import type { Exact } from './exact.ts'
import { SECONDS_PER_HOUR } from './units.ts'

/** What a rate is charged for once: true time, a share of the month or of a whole term, or a thing that is counted. */
export type RatePer = 'second' | 'hour' | 'month' | 'term' | 'GiB' | '10,000 operations'

/** A price as its price book states it. */
export interface Rate {
  /** The decimal as written in the price book. */
  readonly text: string
  readonly value: Exact
  readonly per: RatePer
  /** JSON Pointer (RFC 6901) of the rate in its price book. */
  readonly pointer: string
}

/** Throws when `text` is not a decimal: price books are validated before they get here. */
export function rate(text: string, per: RatePer, pointer: string): Rate {
  const value = parseDecimal(text)
  if (!value) throw new RangeError(`not a decimal price: ${text} at ${pointer}`)
  return { text, value, per, pointer }
}

const HOUR = BigInt(SECONDS_PER_HOUR)

/** Units in steps of 1/1024 (memory and disks in whole MiB) as a fraction of whole numbers. */
export const unitsExact = (units: number): Exact =>
  Number.isInteger(units) ? { n: BigInt(units), d: 1n } : { n: BigInt(Math.round(units * 1024)), d: 1024n }

/**
 * `units` (such as vCPU or GiB) at a rate for `ticks` out of the `ticksPerPeriod` that the rate is for, exactly; both
 * are whole numbers. A whole period is written over the denominator of hourly amounts, so that adding the two costs
 * one addition.
 */
export function amountAt({ value }: Rate, units: Exact, ticks: number, ticksPerPeriod: number): Exact {
  if (ticks === ticksPerPeriod) return { n: value.n * HOUR * units.n, d: value.d * HOUR * units.d }
  return { n: value.n * BigInt(ticks) * units.n, d: value.d * BigInt(ticksPerPeriod) * units.d }
}
