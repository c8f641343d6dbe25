import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { indexBook, type BookIndex } from '../catalogue/bookIndex.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { resolveMachine, type ReferenceIssue, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { roundTo } from '../quantity/decimal.ts'
import { money, totalMoney, type CurrencyMismatch, type Money } from '../quantity/money.ts'
import { accept, type Outcome } from '../outcome.ts'
import type { Span } from '../quantity/units.ts'
import { estimateMachine, type Estimate, type NotPriced } from './estimateMachine.ts'

export type MachineIssue = ReferenceIssue | NotPriced

export type MachineResult =
  | {
      readonly ok: true
      readonly resolved: ResolvedMachine
      readonly month: Span
      readonly estimate: Estimate
    }
  | { readonly ok: false; readonly issues: readonly MachineIssue[] }

export const bookOf = (provider: string, books: readonly PriceBook[]): BookIndex | undefined => {
  const book = books.find((candidate) => candidate.provider.id === provider)
  return book && indexBook(book)
}

/** One machine of a plan in a month of its provider's billing zone. */
export function estimateInPlan(
  machine: Machine,
  plan: Pick<Plan, 'weeks'>,
  books: readonly PriceBook[],
  month: YearMonth,
): MachineResult {
  const index = bookOf(machine.provider, books)
  const resolved = resolveMachine(
    machine,
    plan.weeks,
    index,
    books.map((book) => book.provider.id),
  )
  if (!resolved.ok || !index) return { ok: false, issues: resolved.ok ? [] : resolved.issues }
  const span = billingMonth(month, index.book.billingZone)
  const estimate = estimateMachine(resolved.value, span)
  if ('code' in estimate) return { ok: false, issues: [estimate] }
  return { ok: true, resolved: resolved.value, month: span, estimate }
}

export interface PlanTotals {
  readonly planned: Money
  readonly alwaysOn: Money
}

/**
 * A plan's totals for figures shown with so many decimal places: the sums of its machines' totals as they are shown,
 * so that a list of machines adds up to its total, and each machine has one figure everywhere. Refused where the
 * machines are priced in several currencies: those are never added without a rate.
 */
export function planTotals(
  estimates: readonly Pick<Estimate, 'currency' | 'total' | 'alwaysOn'>[],
  currencyWhenEmpty: string,
  places: number,
): Outcome<PlanTotals, CurrencyMismatch> {
  const sumOf = (field: 'total' | 'alwaysOn'): Outcome<Money, CurrencyMismatch> =>
    totalMoney(
      estimates.map((estimate) => money(estimate.currency, roundTo(estimate[field], places))),
      currencyWhenEmpty,
    )
  const planned = sumOf('total')
  const alwaysOn = sumOf('alwaysOn')
  if (!planned.ok) return planned
  if (!alwaysOn.ok) return alwaysOn
  return accept({ planned: planned.value, alwaysOn: alwaysOn.value })
}
