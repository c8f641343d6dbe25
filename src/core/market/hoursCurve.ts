import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { Weekday } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { exchanged, type Exchange } from '../machine/exchange.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { meterMachine } from '../meter/meterMachine.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { compare, toNumber, type Exact } from '../quantity/exact.ts'
import { SECONDS_PER_HOUR } from '../quantity/units.ts'

/** A month in which a machine is on for the same hours every day. */
export interface HoursPoint {
  /** On in the month, clock changes and all. */
  readonly hours: number
  /** In the currency of the machine that was asked about; exact. */
  readonly total: Exact
}

/** Every so many minutes a day there is a point. */
const STEP = 60
const DAYS: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]

export interface HoursInputs {
  readonly resolved: ResolvedMachine
  readonly month: BillingMonth
  readonly shared: SharedAccount | undefined
  readonly exchange: Exchange
}

/**
 * What a machine costs a month by how long it is on each day, from not at all to always: each point is priced as any month
 * is. What its own week says beside its hours (dates off, an auto-shutdown, habits) is left out, since it would bend the
 * curve. O(25 months).
 */
export function hoursCurve(inputs: HoursInputs): HoursPoint[] {
  const points: HoursPoint[] = []
  for (let minutes = 0; minutes <= 24 * 60; minutes += STEP) {
    const point = pointAt(inputs, minutes)
    if (point) points.push(point)
  }
  return points
}

function pointAt(
  { resolved, month, shared, exchange }: HoursInputs,
  minutes: number,
): HoursPoint | undefined {
  const { id, name, timeZone } = resolved.week
  const windows = minutes === 0 ? [] : DAYS.map((day) => ({ day, from: 0, to: minutes }))
  const week: WeekPlan = { id, name, timeZone, windows, exceptions: [] }
  const daily = { ...resolved, week }
  const own = machineTotal(daily, month, shared)
  const total = own && exchanged(own, exchange)
  return total && { hours: meterMachine(daily, month).onTime / SECONDS_PER_HOUR, total }
}

/**
 * Where one curve begins to be cheaper than another that was cheaper before, in hours of the month, straight between
 * points; undefined where it never does. Both have the same points.
 */
export function cheaperFrom(now: readonly HoursPoint[], then: readonly HoursPoint[]): number | undefined {
  for (let at = 1; at < Math.min(now.length, then.length); at += 1) {
    const isCheaper = compare(then[at]!.total, now[at]!.total) < 0
    if (!isCheaper || compare(then[at - 1]!.total, now[at - 1]!.total) < 0) continue
    const before = toNumber(then[at - 1]!.total) - toNumber(now[at - 1]!.total)
    const after = toNumber(then[at]!.total) - toNumber(now[at]!.total)
    const share = before / (before - after)
    return now[at - 1]!.hours + share * (now[at]!.hours - now[at - 1]!.hours)
  }
  return undefined
}
