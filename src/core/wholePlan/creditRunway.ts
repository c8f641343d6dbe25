import { NO_CURRENCY } from '../quantity/currency.ts'
import { endOfDate } from '../calendar/billingMonth.ts'
import { civilDate, dayNumber, formatDate, parseDate } from '../calendar/civil.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { Credit } from '../machine/plan.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { instant, type Instant, type Span } from '../quantity/units.ts'
import { firstReached } from './firstReached.ts'
import { spentWithin, upFrontOf, type PlanSpending, type SpendingPart } from './planSpending.ts'

interface Payment {
  readonly at: Instant
  readonly name: string
  readonly amount: Exact
}

interface RunwayMonth {
  readonly month: YearMonth
  readonly span: Span
  /** Payments up front included. */
  readonly spent: Exact
  readonly left: Exact
}

/** How long a credit lasts. Amounts are exact, in the plan's currency. */
export interface CreditRunway {
  readonly currency: string
  readonly span: Span
  /** Months of the credit's zone until it ends, the first and the last cut to it. */
  readonly months: readonly RunwayMonth[]
  /** What commitments ask for at once. */
  readonly payments: readonly Payment[]
  /** What is left at times in order, fit for drawing. */
  readonly points: readonly { readonly at: Instant; readonly left: Exact }[]
  readonly end:
    | { readonly kind: 'used-up'; readonly at: Instant }
    /** It expires with this left. */
    | { readonly kind: 'expires'; readonly at: Instant; readonly left: Exact }
  /** Machines that lack a price, or a rate, in a month that the credit pays. */
  readonly leftOut: readonly string[]
}

/** From the first second of the first date to the last of the last one. */
export const creditSpan = ({ from, expires, timeZone }: Credit): Span => ({
  from: endOfDate(formatDate(dayNumber(parseDate(from)! - 1)), timeZone),
  to: endOfDate(expires, timeZone),
})

/**
 * Lays a plan's spending against a credit, second by second. Commitments that are paid up front are taken to begin with
 * the credit, and are paid whole then, and again each time that their months are over. O(months × charges), and
 * O(pieces × log seconds) for the month in which it is used up.
 */
export function creditRunway(spending: PlanSpending, credit: Credit): CreditRunway {
  const span = creditSpan(credit)
  let left = parseDecimal(credit.amount)!
  const months: RunwayMonth[] = []
  const points = [{ at: span.from, left }]
  const paid: Payment[] = []
  const leftOut = new Set<string>()
  let end: CreditRunway['end'] | undefined
  for (const stretch of monthsOf(credit, span)) {
    const { month } = stretch
    const payments = paymentsIn(spending, credit, stretch)
    const parts = partsAround(spending, month)
    for (const name of spending.of(month).leftOut) leftOut.add(name)
    const before = left
    let from = stretch.span.from
    for (const payment of [...payments, { at: stretch.span.to, amount: ZERO, name: '' }]) {
      const part = { from, to: payment.at }
      const until = (at: Instant): Exact => spentWithin(parts, { from: part.from, to: at }, false)
      const usedUp = firstReached(part, left, until)
      if (usedUp !== undefined && (usedUp < span.to || compare(until(span.to), left) > 0)) {
        end = { kind: 'used-up', at: usedUp }
        break
      }
      left = subtract(subtract(left, until(payment.at)), payment.amount)
      from = payment.at
      points.push({ at: payment.at, left })
      if (payment.name) paid.push(payment)
      if (compare(left, ZERO) < 0) {
        end = { kind: 'used-up', at: payment.at }
        break
      }
    }
    if (end) {
      points.push({ at: end.at, left: ZERO })
      months.push({ month, span: { from: stretch.span.from, to: end.at }, spent: before, left: ZERO })
      break
    }
    months.push({ ...stretch, spent: subtract(before, left), left })
  }
  return {
    currency: spending.currency ?? NO_CURRENCY,
    span,
    months,
    payments: paid,
    points,
    end: end ?? { kind: 'expires', at: span.to, left },
    leftOut: [...leftOut],
  }
}

interface Stretch {
  readonly month: YearMonth
  readonly span: Span
}

/** The months of the credit's zone, cut to the credit. */
function* monthsOf({ from: first, timeZone }: Credit, { from, to }: Span): Generator<Stretch> {
  let month: YearMonth | undefined = first.slice(0, 7) as YearMonth
  for (let at = from; at < to && month;) {
    const next: YearMonth | undefined = addMonths(month, 1)
    const ends = next ? endOfDate(lastDateBefore(next), timeZone) : to
    const span = { from: at, to: instant(Math.min(ends, to)) }
    if (span.to > span.from) yield { month, span }
    at = span.to
    month = next
  }
}

const lastDateBefore = (month: YearMonth): string => formatDate(dayNumber(parseDate(`${month}-01`)! - 1))

/** Providers' months begin in zones of their own: hours of the months beside can fall into this one. */
const partsAround = (spending: PlanSpending, month: YearMonth): SpendingPart[] =>
  [-1, 0, 1].flatMap((count) => {
    const near = addMonths(month, count)
    return near ? spending.of(near).parts : []
  })

/** Whole payments that fall into a month: on the credit's first day of the month, each time that one is over. */
function paymentsIn(spending: PlanSpending, credit: Credit, { month, span }: Stretch): Payment[] {
  const age = monthsBetween(credit.from.slice(0, 7) as YearMonth, month)
  const { from } = creditSpan(credit)
  return upFrontOf(spending.of(month)).flatMap(({ name, amount, months }): Payment[] => {
    if (age % months !== 0) return []
    const at = age === 0 ? from : startOfDay(month, civilDate(parseDate(credit.from)!).day, credit.timeZone)
    return at >= span.from && at < span.to ? [{ at, name, amount }] : []
  })
}

const monthsBetween = (a: YearMonth, b: YearMonth): number =>
  (Number(b.slice(0, 4)) - Number(a.slice(0, 4))) * 12 + Number(b.slice(5)) - Number(a.slice(5))

/** The day of the month, or its last one where it has none of that number. */
function startOfDay(month: YearMonth, day: number, timeZone: string): Instant {
  const first = parseDate(`${month}-01`)!
  const next = addMonths(month, 1)
  const last = next ? parseDate(`${next}-01`)! - 1 : first + 27
  return endOfDate(formatDate(dayNumber(Math.min(first + day - 1, last) - 1)), timeZone)
}
