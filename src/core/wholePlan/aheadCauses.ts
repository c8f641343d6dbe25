import { dayNumber, dayOf, formatDate } from '../calendar/civil.ts'
import { addMonths, yearMonthParts, type YearMonth } from '../calendar/yearMonth.ts'
import { priceBookFor } from '../catalogue/bookFor.ts'
import type { FreeAllowance, PriceBook } from '../catalogue/priceBook.ts'
import { planTotals } from '../meter/planTotals.ts'
import { subtract, type Exact } from '../quantity/exact.ts'
import { PlanSpending, type SpendingInputs } from './planSpending.ts'

/** Why a month costs something else than the one before: the same month without the cause, and with it. */
export type AheadCause = {
  readonly without: Exact
  readonly with: Exact
} & (
  | { readonly kind: 'edition'; readonly provider: string; readonly edition: string }
  | {
      readonly kind: 'allowance'
      readonly provider: string
      readonly name: string
      /** Its last date. */
      readonly on: string
    }
  | {
      /** No edition follows: its machines are left out from this month on. */
      readonly kind: 'book'
      readonly provider: string
      readonly edition: string
      readonly on: string
    }
)

export interface AheadCauses {
  /** Each is laid on those before it, so that the last one ends with the month as it is planned. */
  readonly causes: readonly AheadCause[]
  /** What the month would cost without any of them, less the month before: its days and hours are others. */
  readonly days: Exact | undefined
}

const FAR = '2100-12-31'

/** The first whole month after a date. */
export function monthAfter(date: string): YearMonth | undefined {
  return addMonths(date.slice(0, 7) as YearMonth, 1)
}

/**
 * What changes with a month: editions that begin, books that end, and free allowances that ended since the month before
 * began. Undefined where nothing does. O(causes × machines).
 */
export function aheadCauses(
  inputs: SpendingInputs,
  month: YearMonth,
  plannedBefore: Exact | undefined,
  decimals: number,
): AheadCauses | undefined {
  const { plan, books } = inputs
  const before = addMonths(month, -1)
  if (!before) return undefined
  const providers = [...new Set(plan.machines.map(({ provider }) => provider))]
  const changes = providers.flatMap((provider) => changesOf(provider, inputs, before, month))
  if (changes.length === 0) return undefined
  const others = books.filter(({ provider }) => !changes.some((change) => change.provider === provider.id))
  // Of each provider the book before the first of its changes.
  const current = new Map(changes.toReversed().map(({ provider, from }) => [provider, from]))
  const priced = (): Exact => {
    const changed = [...current.values()].flatMap((book) => (book ? [{ ...book, valid: ALWAYS }] : []))
    const { parts } = new PlanSpending({ ...inputs, books: [...others, ...changed] }).of(month)
    const estimates = parts.map(({ estimate }) => estimate)
    return planTotals(plan, estimates, month, decimals).planned
  }
  const first = priced()
  let without = first
  const causes = changes.map(({ provider, to, cause }): AheadCause => {
    current.set(provider, to)
    const after = priced()
    const found = { ...cause, without, with: after }
    without = after
    return found
  })
  return { causes, days: plannedBefore && subtract(first, plannedBefore) }
}

/** Books are set for one month alone. */
const ALWAYS = { from: '2000-01-01' }

type Named = AheadCause extends infer Each
  ? Each extends AheadCause
    ? Omit<Each, 'with' | 'without'>
    : never
  : never

/** From one book to the next; undefined is none, whose machines are left out. */
interface Change {
  readonly provider: string
  readonly from: PriceBook | undefined
  readonly to: PriceBook | undefined
  readonly cause: Named
}

/** From the book as it was, with allowances that have ended going on, step by step to the book of the month. */
function changesOf(
  provider: string,
  { plan, books }: SpendingInputs,
  before: YearMonth,
  month: YearMonth,
): Change[] {
  const [was, is] = [before, month].map((each) => priceBookFor(provider, books, each))
  if (!was) {
    const begins = is && { kind: 'edition' as const, provider, edition: is.edition }
    return begins ? [{ provider, from: undefined, to: is, cause: begins }] : []
  }
  const isUsed = ({ eligible, eligibleKinds = [] }: FreeAllowance): boolean =>
    plan.machines.some(
      ({ provider: own, size, systemDisk, dataDisks }) =>
        own === provider &&
        (eligible.includes(size) ||
          [systemDisk, ...dataDisks].some(({ kind }) => eligibleKinds.includes(kind))),
    )
  const ended = (allowance: FreeAllowance): boolean =>
    monthAfter(allowance.until) === month && isUsed(allowance)
  const goingOn = (book: PriceBook): PriceBook =>
    withAllowances(book, (each) => (ended(each) ? { ...each, until: FAR } : each))
  let from = goingOn(was)
  if (!is) {
    const on = was.valid.until ?? lastDateOf(before)
    return [{ provider, from, to: undefined, cause: { kind: 'book', provider, edition: was.edition, on } }]
  }
  const found: Change[] = []
  const take = (to: PriceBook, cause: Named): void => {
    found.push({ provider, from, to, cause })
    from = to
  }
  if (is.edition !== was.edition) take(goingOn(is), { kind: 'edition', provider, edition: is.edition })
  for (const allowance of is.freeAllowances ?? []) {
    const { id, name = id, until: on } = allowance
    if (!ended(allowance)) continue
    const ends = withAllowances(from, (each) => (each.id === id ? allowance : each))
    take(ends, { kind: 'allowance', provider, name, on })
  }
  return found
}

const withAllowances = (book: PriceBook, change: (allowance: FreeAllowance) => FreeAllowance): PriceBook =>
  book.freeAllowances ? { ...book, freeAllowances: book.freeAllowances.map(change) } : book

function lastDateOf(month: YearMonth): string {
  const { year, month: number } = yearMonthParts(month)
  return formatDate(dayNumber(dayOf(year, number + 1, 0)))
}
