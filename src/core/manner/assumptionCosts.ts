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
  /** Of all the plan's machines at the provider that have a price now, in its book's currency. */
  readonly now: Exact
  /** Undefined where one of them has no price then. */
  readonly then: Exact | undefined
  /** Machines that have a price now and none then. */
  readonly unpriced: readonly string[]
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
    const all = plan.machines.filter((machine) => machine.provider === provider)
    if (!book?.assumed || all.length === 0) return []
    const present = totalUnder(book, all, inputs)
    const own = all.filter(({ name }) => !present.unpriced.includes(name))
    if (own.length === 0) return []
    return alternatives(book).map(({ about, value, changed }) => {
      const { total, unpriced } = totalUnder(changed, underBook(own, changed), inputs)
      const then = unpriced.length === 0 ? total : undefined
      return { provider, about, value, now: present.total, then, unpriced }
    })
  })
  return costs.sort((a, b) => compare(differenceOf(b), differenceOf(a)))
}

/** What cannot be said comes last. */
const differenceOf = ({ now, then }: AssumptionCost): Exact => {
  if (!then) return ZERO
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

/** What those that have a price cost together, and the names of the others. */
function totalUnder(
  book: PriceBook,
  machines: readonly Machine[],
  inputs: PlanPricingInputs,
): { readonly total: Exact; readonly unpriced: readonly string[] } {
  const pricing = new PlanPricing({ ...inputs, plan: { ...inputs.plan, machines }, books: [book] })
  let total = ZERO
  const unpriced: string[] = []
  for (const machine of machines) {
    const result = pricing.of(machine)
    if (result.ok) total = add(total, result.estimate.total)
    else unpriced.push(machine.name)
  }
  return { total, unpriced }
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
