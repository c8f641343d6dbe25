import { add, divide, exact, multiply, sign, ZERO, type Exact } from '../quantity/exact.ts'
import type { Cause } from './cause.ts'

/** What a month that is not over is likely to come to. */
export interface Forecast {
  /** Everything goes as planned from now on. */
  readonly low: Exact
  /** As much goes wrong each day as did so far. */
  readonly expected: Exact
  /** Each week is as its worst one. */
  readonly high: Exact
}

export interface ForecastInputs {
  readonly billed: Exact
  /** Of the days that are still to come. */
  readonly plannedRest: Exact
  readonly causes: readonly Cause[]
  /** Days that the bill has, in order, and how many there are still to come. */
  readonly days: readonly string[]
  readonly daysToCome: number
}

const A_WEEK = 7

/**
 * What is billed, the plan for the rest, and for what people forget: time that nobody planned, spread over its days as it
 * came. A bill with no such time leaves all three the same. O(causes × days).
 */
export function forecast({ billed, plannedRest, causes, days, daysToCome }: ForecastInputs): Forecast {
  const low = add(billed, plannedRest)
  const byDay = new Map(days.map((day) => [day, ZERO]))
  for (const cause of causes) {
    if (cause.code !== 'more-time') continue
    const own = (cause.days ?? []).filter(({ day }) => byDay.has(day))
    if (own.length === 0) continue
    const each = divide(cause.amount, exact(own.length))
    for (const { day } of own) byDay.set(day, add(byDay.get(day)!, each))
  }
  const amounts = days.map((day) => byDay.get(day)!)
  const sum = (some: readonly Exact[]): Exact => some.reduce(add, ZERO)
  const perDay = (total: Exact, count: number): Exact =>
    count === 0 ? ZERO : multiply(divide(total, exact(count)), exact(daysToCome))
  const length = Math.min(A_WEEK, amounts.length)
  let worst = ZERO
  for (let at = 0; at + length <= amounts.length; at += 1) {
    const week = sum(amounts.slice(at, at + length))
    if (week.n * worst.d > worst.n * week.d) worst = week
  }
  const usual = perDay(sum(amounts), amounts.length)
  const most = perDay(worst, length)
  return {
    low,
    expected: sign(usual) > 0 ? add(low, usual) : low,
    high: sign(most) > 0 ? add(low, most) : low,
  }
}
