import { parseDecimal } from './decimal.ts'
import type { Exact } from './exact.ts'
import { SECONDS_PER_HOUR, type Seconds } from './units.ts'

/** What a rate is charged for: one hour of true time, or one whole billing month. */
export type RatePeriod = 'hour' | 'month'

/** A price per hour or per month, as its price book states it. */
export interface Rate<P extends RatePeriod = RatePeriod> {
  /** The decimal as written in the price book. */
  readonly text: string
  readonly value: Exact
  readonly per: P
  /** JSON Pointer (RFC 6901) of the rate in its price book. */
  readonly pointer: string
}

/** Throws when `text` is not a decimal: price books are validated before they get here. */
export function rate<P extends RatePeriod>(text: string, per: P, pointer: string): Rate<P> {
  const value = parseDecimal(text)
  if (!value) throw new RangeError(`not a decimal price: ${text} at ${pointer}`)
  return { text, value, per, pointer }
}

const HOUR = BigInt(SECONDS_PER_HOUR)

/** Units in steps of 1/1024 (memory in whole MiB) as a fraction of whole numbers. */
const unitFraction = (units: number): Exact =>
  Number.isInteger(units) ? { n: BigInt(units), d: 1n } : { n: BigInt(Math.round(units * 1024)), d: 1024n }

/** `units` (such as vCPU or GiB) at an hourly rate for `time`, exactly. */
export function hourlyAmount(rate: Rate<'hour'>, time: Seconds, units = 1): Exact {
  if (units === 1) return { n: rate.value.n * BigInt(time), d: rate.value.d * HOUR }
  const { n, d } = unitFraction(units)
  return { n: rate.value.n * BigInt(time) * n, d: rate.value.d * HOUR * d }
}

/**
 * A monthly rate for `units` and `time` out of a month of `month` seconds. A whole month is exactly the rate; it is
 * written over the denominator of hourly amounts, so that adding the two costs one addition.
 */
export function monthlyAmount(rate: Rate<'month'>, time: Seconds, month: Seconds, units = 1): Exact {
  const { n, d } = unitFraction(units)
  if (time === month) return { n: rate.value.n * HOUR * n, d: rate.value.d * HOUR * d }
  return { n: rate.value.n * BigInt(time) * n, d: rate.value.d * BigInt(month) * d }
}
