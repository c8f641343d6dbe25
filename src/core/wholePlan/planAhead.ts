import { dayNumber, dayOf, formatDate } from '../calendar/civil.ts'
import { addMonths, yearMonthParts, type YearMonth } from '../calendar/yearMonth.ts'
import { priceBookFor } from '../catalogue/bookFor.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { exchanged } from '../machine/exchange.ts'
import type { Plan } from '../machine/plan.ts'
import { planTotals } from '../meter/planTotals.ts'
import { roundTo } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { paysFor } from './paidByCredit.ts'
import type { PlanSpending, SpendingInputs } from './planSpending.ts'
import { commitmentBegins } from './UpFrontPayments.ts'

/** A month of the whole plan, in its currency. */
export interface AheadMonth {
  readonly month: YearMonth
  /** As the plan's total is shown. */
  readonly planned: Exact
  readonly alwaysOn: Exact
  /** What of it commitments ask for, used or not. */
  readonly committed: Exact
  /** Machines without a price then, or without a rate to the plan's currency. */
  readonly leftOut: readonly string[]
  /** Editions of price books that are used from this month on, and were not the month before. */
  readonly newEditions: readonly { readonly provider: string; readonly edition: string }[]
  /** What ends, and is felt from this month on. */
  readonly ends: readonly AheadEnd[]
}

/** Something that makes months cheaper, or lets them be priced, and ends. */
export type AheadEnd = {
  /** Its last date. */
  readonly on: string
} & (
  | {
      readonly kind: 'allowance' | 'book'
      readonly provider: string
      readonly name: string
      /** The last month with all of it, where that is among the twelve. */
      readonly before: Exact | undefined
    }
  | { readonly kind: 'commitment'; readonly machine: string }
)

/** Twelve months from `first` on, by the editions that are valid in each. O(12 × machines). */
export function planAhead(
  inputs: SpendingInputs & { readonly plan: Pick<Plan, 'taxPercent' | 'credit'> },
  spending: PlanSpending,
  first: YearMonth,
  decimals: number,
): AheadMonth[] {
  const { plan, books } = inputs
  const providers = [...new Set(plan.machines.map(({ provider }) => provider))]
  const editionIn = (provider: string, month: YearMonth): string | undefined => {
    return priceBookFor(provider, books, month)?.edition
  }
  const months = Array.from({ length: 12 }, (_, i) => addMonths(first, i)).filter(
    (month) => month !== undefined,
  )
  const ahead = months.map((month) => {
    const { parts, leftOut } = spending.of(month)
    const estimates = parts.map(({ estimate }) => estimate)
    const known = { ...plan, ...(spending.currency !== undefined && { currency: spending.currency }) }
    const totals = planTotals(known, estimates, month, decimals)
    let committed = ZERO
    for (const { estimate, exchange } of parts) {
      const own = estimate.charges.reduce(
        (sum, { meter, amount }) => (meter === 'commitment' ? add(sum, amount) : sum),
        ZERO,
      )
      committed = add(committed, roundTo(exchanged(own, exchange)!, decimals))
    }
    const before = addMonths(month, -1)
    const newEditions = providers.flatMap((provider) => {
      const edition = editionIn(provider, month)
      const last = before && editionIn(provider, before)
      return edition !== undefined && last !== edition && month !== first ? [{ provider, edition }] : []
    })
    const { planned, alwaysOn } = totals
    return { month, planned, alwaysOn, committed, leftOut, newEditions }
  })
  const plannedIn = new Map(ahead.map(({ month, planned }) => [month, planned]))
  const ends = [...sharedEnds(inputs, plannedIn), ...commitmentEnds(inputs, spending, first)]
  return ahead.map((each) => ({
    ...each,
    ends: ends.filter(({ month }) => month === each.month).map(({ end }) => end),
  }))
}

interface FoundEnd {
  /** The first whole month after it. */
  readonly month: YearMonth
  readonly end: AheadEnd
}

/** The first whole month after a date, and the last one that has the date's last day or lies before. */
function monthsAbout(date: string): {
  readonly before: YearMonth | undefined
  readonly after: YearMonth | undefined
} {
  const own = date.slice(0, 7) as YearMonth
  const { year, month } = yearMonthParts(own)
  const isLast = formatDate(dayOf(year, month + 1, 0)) === date
  return { before: isLast ? own : addMonths(own, -1), after: addMonths(own, 1) }
}

/** Free allowances that machines of the plan use, and books that no edition follows. */
function sharedEnds({ plan, books }: SpendingInputs, plannedIn: ReadonlyMap<YearMonth, Exact>): FoundEnd[] {
  const found: FoundEnd[] = []
  const note = (kind: 'allowance' | 'book', book: PriceBook, name: string, on: string): void => {
    const { before, after } = monthsAbout(on)
    if (!after || !plannedIn.has(after)) return
    const end = {
      kind,
      on,
      provider: book.provider.id,
      name,
      before: before && plannedIn.get(before),
    } as const
    found.push({ month: after, end })
  }
  for (const book of books) {
    const own = plan.machines.filter(({ provider }) => provider === book.provider.id)
    for (const { id, name = id, until, eligible, eligibleKinds = [] } of book.freeAllowances ?? []) {
      const isUsed = own.some(
        ({ size, systemDisk, dataDisks }) =>
          eligible.includes(size) ||
          [systemDisk, ...dataDisks].some(({ kind }) => eligibleKinds.includes(kind)),
      )
      if (isUsed && (book.valid.until === undefined || until <= book.valid.until))
        note('allowance', book, name, until)
    }
    const { until } = book.valid
    const next = until === undefined ? undefined : monthsAbout(until).after
    if (until !== undefined && next && own.length > 0 && !priceBookFor(book.provider.id, books, next))
      note('book', book, book.edition, until)
  }
  return found
}

/** Commitments begin with the first day of their machine, and those that a credit pays not before it. */
function commitmentEnds(
  { plan, books }: Parameters<typeof planAhead>[0],
  spending: PlanSpending,
  first: YearMonth,
): FoundEnd[] {
  const { credit } = plan
  return plan.machines.flatMap((machine): FoundEnd[] => {
    const firstDay = spending.firstDay(machine.name)
    const paid = credit && paysFor(credit, machine) ? commitmentBegins(credit, firstDay) : firstDay
    const begins = paid?.date
    const book = priceBookFor(machine.provider, books, first)
    const terms = book?.terms.find(({ id }) => id === machine.terms)
    if (begins === undefined || terms?.kind !== 'commitment') return []
    const { year, month } = yearMonthParts(begins.slice(0, 7) as YearMonth)
    const on = formatDate(dayNumber(dayOf(year, month + terms.months, Number(begins.slice(8))) - 1))
    const after = monthsAbout(on).after
    return after ? [{ month: after, end: { kind: 'commitment', on, machine: machine.name } }] : []
  })
}
