import { keptFor } from '../keptFor.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { exchanged, exchangeFor, type Exchange } from '../machine/exchange.ts'
import { amountOf } from '../meter/makeCharge.ts'
import type { Charge } from '../meter/charge.ts'
import type { Estimate } from '../meter/estimateMachine.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import { planCurrency } from '../meter/planTotals.ts'
import { ticksWithin } from '../meter/pieces.ts'
import { add, exact, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import type { Span } from '../quantity/units.ts'

export type SpendingInputs = Omit<PlanPricingInputs, 'month' | 'plan'> & {
  readonly plan: PlanPricingInputs['plan'] & { readonly currency?: string }
}

/** One machine's month, and how it becomes an amount of the plan. */
export interface SpendingPart {
  readonly name: string
  readonly estimate: Estimate
  readonly exchange: Exchange
}

/** The midnight that begins a date in a zone. */
export interface Midnight {
  readonly date: string
  readonly timeZone: string
}

/** What a commitment asks for at once, whole, and for how many months it is paid then. */
export interface UpFront {
  readonly name: string
  readonly amount: Exact
  readonly months: number
}

/** What the machines of a plan spend, month by month and second by second. Amounts are exact, in the plan's currency. */
export class PlanSpending {
  private readonly months = new Map<YearMonth, SpendingMonth>()
  private known: string | undefined
  private firstDays: ReadonlyMap<string, Midnight> | undefined

  /** `priced` prices a month of the same inputs already. */
  constructor(
    private readonly inputs: SpendingInputs,
    private readonly priced?: { readonly month: YearMonth; readonly pricing: PlanPricing },
  ) {}

  /** Undefined until a month with a price was asked for. */
  get currency(): string | undefined {
    return this.known
  }

  /** Priced once. O(machines). */
  of(month: YearMonth): SpendingMonth {
    let found = this.months.get(month)
    if (!found) this.months.set(month, (found = this.price(month)))
    return found
  }

  /** The midnight that begins a machine's first day, where it has one, in the zone of its week. */
  firstDay(name: string): Midnight | undefined {
    return (this.firstDays ??= firstDaysOf(this.inputs.plan)).get(name)
  }

  private price(month: YearMonth): SpendingMonth {
    const { plan } = this.inputs
    const pricing =
      this.priced?.month === month ? this.priced.pricing : new PlanPricing({ ...this.inputs, month })
    const estimates = new Map<string, Estimate>()
    const leftOut: string[] = []
    for (const machine of plan.machines) {
      const result = pricing.of(machine)
      if (result.ok) estimates.set(machine.name, result.estimate)
      else leftOut.push(machine.name)
    }
    this.known ??= planCurrency(plan, [...estimates.values()])
    const parts: SpendingPart[] = []
    for (const [name, estimate] of estimates) {
      const exchange = exchangeFor(estimate.currency, this.known!, plan.exchangeRates, month)
      if (exchange.kind === 'missing') leftOut.push(name)
      else parts.push({ name, estimate, exchange })
    }
    return { parts, leftOut }
  }
}

function firstDaysOf({ machines, weeks }: SpendingInputs['plan']): Map<string, Midnight> {
  const zones = new Map(weeks.map(({ id, timeZone }) => [id, timeZone]))
  return new Map(
    machines.flatMap(({ name, firstDay: date, week }): [string, Midnight][] => {
      const timeZone = zones.get(week)
      return date !== undefined && timeZone !== undefined ? [[name, { date, timeZone }]] : []
    }),
  )
}

export interface SpendingMonth {
  readonly parts: readonly SpendingPart[]
  /** Machines without a price in this month, or without a rate to the plan's currency. */
  readonly leftOut: readonly string[]
}

const isUpFront = ({ subject }: Charge): boolean => subject.of === 'up-front'

/**
 * What falls into a span, evenly over the time that is charged; what was paid up front is no part of it where
 * `upFront` is false. Spans that cover a month add up exactly to it. Machines that are the same are looked at once.
 * O(charges), and O(pieces) for months that the span cuts.
 */
export function spentWithin(parts: readonly SpendingPart[], span: Span, upFront: boolean): Exact {
  let sum = ZERO
  for (const { estimate, exchange, count } of alikeIn(parts)) {
    const { month } = estimate
    if (month.to <= span.from || month.from >= span.to) continue
    const whole = month.from >= span.from && month.to <= span.to
    let own = ZERO
    for (const charge of estimate.charges) {
      if (!upFront && isUpFront(charge)) continue
      own = add(own, whole ? charge.amount : amountWithin(charge, span))
    }
    sum = add(sum, multiply(exchanged(own, exchange)!, exact(count)))
  }
  return sum
}

/** Parts with one estimate are of one provider, and so of one currency. */
const alikeIn = keptFor((parts: readonly SpendingPart[]) => {
  const alike = new Map<Estimate, SpendingPart & { count: number }>()
  for (const part of parts) {
    const known = alike.get(part.estimate)
    if (known) known.count += 1
    else alike.set(part.estimate, { ...part, count: 1 })
  }
  return [...alike.values()]
})

function amountWithin(charge: Charge, span: Span): Exact {
  let ticks = 0
  for (const piece of charge.pieces.list) ticks += ticksWithin(piece, span)
  return ticks === 0 ? ZERO : amountOf(charge, ticks)
}

/** What the commitments of a month's machines ask for at once, whole. */
export const upFrontOf = ({ parts }: SpendingMonth): UpFront[] =>
  parts.flatMap(({ name, estimate, exchange }) =>
    estimate.charges.flatMap((charge): UpFront[] => {
      const { subject, rate, units } = charge
      if (subject.of !== 'up-front') return []
      // A month in part carries a part of its share; what is paid is never parted.
      return [{ name, months: subject.months, amount: exchanged(multiply(rate.value, units), exchange)! }]
    }),
  )
