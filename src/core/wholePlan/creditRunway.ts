import { NO_CURRENCY } from '../quantity/currency.ts'
import { endOfDate } from '../calendar/billingMonth.ts'
import { dayNumber, formatDate, parseDate } from '../calendar/civil.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { Credit } from '../machine/plan.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { instant, type Instant, type Span } from '../quantity/units.ts'
import { firstWhen } from './firstWhen.ts'
import { spentWithin, type PlanSpending, type SpendingPart } from './planSpending.ts'
import { UpFrontPayments, type Payment } from './UpFrontPayments.ts'

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
 * the credit, or with their machine's first day where that is later (`UpFrontPayments`). O(months × charges), and
 * O(pieces × log seconds) for the month in which it is used up.
 */
export function creditRunway(spending: PlanSpending, credit: Credit): CreditRunway {
  const span = creditSpan(credit)
  let left = parseDecimal(credit.amount)!
  const months: RunwayMonth[] = []
  const points = [{ at: span.from, left }]
  const paid: Payment[] = []
  const leftOut = new Set<string>()
  const upFront = new UpFrontPayments(spending, credit)
  let end: CreditRunway['end'] | undefined
  for (const stretch of monthsOf(credit, span)) {
    const { month } = stretch
    const payments = upFront.within(month, stretch.span)
    const parts = partsAround(spending, month)
    for (const name of spending.of(month).leftOut) leftOut.add(name)
    const before = left
    let from = stretch.span.from
    for (const payment of [...payments, { at: stretch.span.to, amount: ZERO, name: '' }]) {
      const part = { from, to: payment.at }
      const until = (at: Instant): Exact => spentWithin(parts, { from: part.from, to: at }, false)
      const usedUp = firstWhen(part, (at) => compare(until(at), left) >= 0)
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
