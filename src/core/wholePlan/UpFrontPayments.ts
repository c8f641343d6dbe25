import { endOfDate } from '../calendar/billingMonth.ts'
import { civilDate, dayNumber, formatDate, parseDate } from '../calendar/civil.ts'
import { addMonths, monthsBetween, type YearMonth } from '../calendar/yearMonth.ts'
import type { Credit } from '../machine/plan.ts'
import type { Exact } from '../quantity/exact.ts'
import type { Instant, Span } from '../quantity/units.ts'
import { upFrontOf, type Midnight, type PlanSpending } from './planSpending.ts'

/** What a commitment asks for at once. */
export interface Payment {
  readonly at: Instant
  /** The machine's name. */
  readonly name: string
  /** Whole, whatever part of the month the machine is there for. */
  readonly amount: Exact
}

const instantOf = ({ date, timeZone }: Midnight): Instant =>
  endOfDate(formatDate(dayNumber(parseDate(date)! - 1)), timeZone)

const monthOf = ({ date }: Midnight): YearMonth => date.slice(0, 7) as YearMonth

/** Where a commitment that a credit pays begins: with the credit, or with the machine's first day where that is later. */
export function commitmentBegins(
  { from, timeZone }: Pick<Credit, 'from' | 'timeZone'>,
  first: Midnight | undefined,
): Midnight {
  const credit = { date: from, timeZone }
  return first && instantOf(first) > instantOf(credit) ? first : credit
}

/**
 * The whole payments of commitments that are paid up front under a credit: when the commitment begins, and again on that
 * day each time that its months are over; on a month's last day where it has no such day. One that has no price when it
 * should begin does so on the first of the month in which it has. Months are asked for in order.
 */
export class UpFrontPayments {
  private readonly begun = new Map<string, Midnight>()

  constructor(
    private readonly spending: PlanSpending,
    private readonly credit: Credit,
  ) {}

  /** In order of time. O(machines of three months). */
  within(month: YearMonth, { from, to }: Span): Payment[] {
    // A machine's first day begins in a zone of its own: in the credit's, that can be a month beside.
    return [-1, 0, 1]
      .flatMap((count): Payment[] => {
        const near = addMonths(month, count)
        return near ? this.dueIn(near) : []
      })
      .filter(({ at }) => at >= from && at < to)
      .sort((a, b) => a.at - b.at)
  }

  private dueIn(month: YearMonth): Payment[] {
    return upFrontOf(this.spending.of(month)).flatMap(({ name, amount, months }): Payment[] => {
      const began = this.beganBy(name, month)
      const age = began && monthsBetween(monthOf(began), month)
      if (!began || age === undefined || age % months !== 0) return []
      return [{ at: age === 0 ? instantOf(began) : dayInMonth(month, began), name, amount }]
    })
  }

  /** Undefined where it has not begun by the end of the month. */
  private beganBy(name: string, month: YearMonth): Midnight | undefined {
    const known = this.begun.get(name)
    if (known) return known
    const due = commitmentBegins(this.credit, this.spending.firstDay(name))
    const late = monthsBetween(monthOf(due), month)
    if (late < 0) return undefined
    const began = late === 0 ? due : { ...due, date: `${month}-01` }
    this.begun.set(name, began)
    return began
  }
}

/** The day of the month, or its last one where it has none of that number. */
function dayInMonth(month: YearMonth, { date, timeZone }: Midnight): Instant {
  const first = parseDate(`${month}-01`)!
  const next = addMonths(month, 1)
  const last = next ? parseDate(`${next}-01`)! - 1 : first + 27
  const day = Math.min(first + civilDate(parseDate(date)!).day - 1, last)
  return instantOf({ date: formatDate(dayNumber(day)), timeZone })
}
