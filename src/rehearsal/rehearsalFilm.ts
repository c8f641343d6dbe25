import { PlanPricing } from '../core/meter/planPricing.ts'
import { exchanged, exchangeFor } from '../core/machine/exchange.ts'
import { NO_CURRENCY } from '../core/quantity/currency.ts'
import { roundTo } from '../core/quantity/decimal.ts'
import { add, exact, multiply, toNumber, ZERO, type Exact } from '../core/quantity/exact.ts'
import { SECONDS_PER_HOUR } from '../core/quantity/units.ts'
import type { Stay } from '../practice/PracticeMachine.ts'
import type { Stretch } from '../practice/stretches.ts'
import { costOf, totalOf } from '../practice/usage.ts'
import type { Mishap } from './mishap.ts'
import type { RehearsalQuestion } from './rehearseBill.ts'
import { readyToRehearse, rehearse, type Rehearsal } from './rehearse.ts'

/** One machine through the month; it is not there before its first stay. */
export interface FilmedMachine {
  readonly name: string
  readonly isPlanned: boolean
  readonly stays: readonly Stay[]
}

const SHOWN_DECIMALS = 2

/** Money as it runs up: for drawing by the end of each hour; at the end the sum of the machines as they are shown, as a plan’s total is. */
export interface MoneyCourse {
  readonly byHour: readonly number[]
  readonly total: Exact
}

/** A rehearsed month to be looked at hour by hour. Times are whole seconds since 1970; amounts in the plan’s currency. */
export interface RehearsalFilm {
  readonly from: number
  /** Whole hours of it, the last one begun. */
  readonly hours: number
  readonly currency: string
  /** Of the plan’s first week: in which times are shown. */
  readonly timeZone: string
  readonly machines: readonly FilmedMachine[]
  readonly mishaps: readonly Mishap[]
  /** What was spent in the month as it went and as it was planned. */
  readonly spent: MoneyCourse
  readonly planned: MoneyCourse
}

/** O(machines × switches + usages × hours). */
export function rehearsalFilm({ plan, books, month, rates, seed }: RehearsalQuestion): RehearsalFilm {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const ready = readyToRehearse(priced)
  const [lived, dry] = [rehearse(ready, rates, seed), rehearse(ready, {}, 0)]
  const from = Math.min(...ready.map((each) => each.month.from))
  const to = Math.max(...ready.map((each) => each.month.to))
  const hours = ready.length === 0 ? 0 : Math.ceil((to - from) / SECONDS_PER_HOUR)
  const currency = plan.currency ?? priced[0]?.estimate.currency ?? NO_CURRENCY
  const rateOf = (own: string): Exact =>
    exchanged(exact(1), exchangeFor(own, currency, plan.exchangeRates, month)) ?? ZERO
  const names = new Set(plan.machines.map(({ name }) => name))
  return {
    from: hours === 0 ? 0 : from,
    hours,
    currency,
    timeZone: plan.weeks[0]?.timeZone ?? 'Etc/UTC',
    machines: lived.providers
      .flatMap(({ provider }) => provider.machines)
      .map(({ order, stays }) => ({ name: order.name, isPlanned: names.has(order.name), stays: [...stays] })),
    mishaps: lived.mishaps,
    spent: courseOf(lived, { from, hours }, rateOf),
    planned: courseOf(dry, { from, hours }, rateOf),
  }
}

/** Each usage is spread evenly over its stretches. */
function courseOf(
  { providers }: Rehearsal,
  { from, hours }: { readonly from: number; readonly hours: number },
  rateOf: (currency: string) => Exact,
): MoneyCourse {
  const added = new Float64Array(hours)
  let total = ZERO
  for (const { book, month, provider } of providers) {
    const rate = rateOf(book.currency)
    for (const usages of provider.usage(month).values()) {
      total = add(total, roundTo(multiply(totalOf(usages), rate), SHOWN_DECIMALS))
      for (const usage of usages) {
        const perTick = toNumber(multiply(costOf(usage, 1), rate))
        for (const stretch of usage.stretches) spread(added, stretch, perTick, from)
      }
    }
  }
  let sum = 0
  return { byHour: Array.from(added, (amount) => (sum += amount)), total }
}

function spread(added: Float64Array, { from, to, ticks }: Stretch, perTick: number, begins: number): void {
  const hourAt = (at: number): number =>
    Math.max(0, Math.min(added.length - 1, Math.floor((at - begins) / SECONDS_PER_HOUR)))
  if (to <= from) {
    added[hourAt(from - 1)]! += ticks * perTick
    return
  }
  for (let hour = hourAt(from); hour <= hourAt(to - 1); hour += 1) {
    const start = hour === hourAt(from) ? from : begins + hour * SECONDS_PER_HOUR
    const end = hour === hourAt(to - 1) ? to : begins + (hour + 1) * SECONDS_PER_HOUR
    added[hour]! += (perTick * ticks * (end - start)) / (to - from)
  }
}
