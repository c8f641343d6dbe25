import type { PriceBook } from '../catalogue/priceBook.ts'
import { priceBookFor } from '../catalogue/bookFor.ts'
import { consideredBooks } from '../machine/consideredBooks.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import type { LongGap } from '../off/offPlan.ts'
import type { OffState } from '../off/powerState.ts'
import { add, compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { ANSWER_IDS, type AnswerId, type AnswerValue } from './billingAnswer.ts'
import { BILLING_ANSWERS } from './billingAnswers.ts'

/** What the month of a provider's machines would be if an assumed answer were another one. */
export interface AssumptionCost {
  readonly provider: string
  readonly about: AnswerId
  readonly value: AnswerValue
  /** Of all the plan's machines at the provider, in its book's currency. */
  readonly now: Exact
  readonly then: Exact
}

/**
 * For every answer that is assumed in a considered book, each other one that it could be, dearest difference first.
 * Exact: the plan priced anew with the book changed. O(assumed answers × machines of their providers).
 */
export function assumptionCosts(inputs: PlanPricingInputs): AssumptionCost[] {
  const { plan, month } = inputs
  const books = consideredBooks(plan, inputs.books)
  const providers = [...new Set(books.map(({ provider }) => provider.id))]
  const costs = providers.flatMap((provider): AssumptionCost[] => {
    const book = priceBookFor(provider, books, month)
    const own = plan.machines.filter((machine) => machine.provider === provider)
    if (!book?.assumed || own.length === 0) return []
    const now = totalUnder(book, own, inputs)
    return alternatives(book).flatMap(({ about, value, changed }) => {
      const then = totalUnder(changed, underBook(own, changed), inputs)
      return now && then ? [{ provider, about, value, now, then }] : []
    })
  })
  return costs.sort((a, b) => compare(differenceOf(b), differenceOf(a)))
}

const differenceOf = ({ now, then }: AssumptionCost): Exact => {
  const more = subtract(then, now)
  return compare(more, ZERO) < 0 ? subtract(ZERO, more) : more
}

function alternatives(book: PriceBook) {
  const assumed = new Set(book.assumed?.map(({ about }) => about))
  return ANSWER_IDS.filter((id) => assumed.has(id)).flatMap((about) => {
    const { choices, valueOf, apply } = BILLING_ANSWERS[about]
    const own = valueOf(book)
    return choices(book)
      .filter((value) => value !== own)
      .map((value) => ({ about, value, changed: apply(book, value) }))
  })
}

/** Undefined where one of the machines has no price then. */
function totalUnder(
  book: PriceBook,
  machines: readonly Machine[],
  inputs: PlanPricingInputs,
): Exact | undefined {
  const pricing = new PlanPricing({ ...inputs, plan: { ...inputs.plan, machines }, books: [book] })
  let total = ZERO
  for (const machine of machines) {
    const result = pricing.of(machine)
    if (!result.ok) return undefined
    total = add(total, result.estimate.total)
  }
  return total
}

/** The machines as they would be by another book: on its own terms, and off in the nearest state that it has; the very same where it has theirs. */
export function underBook(machines: readonly Machine[], { terms, states }: PriceBook): readonly Machine[] {
  const plain = terms.find(({ kind }) => kind === 'on-demand' || kind === 'flat')
  const nearest = (off: OffState): OffState =>
    states[off] ? off : states.deallocated ? 'deallocated' : states.stopped ? 'stopped' : 'running'
  return machines.map((machine) => {
    const { longGaps = [] } = machine
    const hasTerms = terms.some(({ id }) => id === machine.terms)
    if (hasTerms && [machine, ...longGaps].every(({ off }) => states[off])) return machine
    return {
      ...machine,
      terms: hasTerms ? machine.terms : (plain?.id ?? machine.terms),
      off: nearest(machine.off),
      ...(machine.longGaps && {
        longGaps: longGaps.map((gap): LongGap => ({ ...gap, off: nearest(gap.off) })),
      }),
    }
  })
}
