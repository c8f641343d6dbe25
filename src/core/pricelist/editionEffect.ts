import type { MonthReading } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { compare, subtract, type Exact } from '../quantity/exact.ts'

/** A machine's month under two editions; absent where it has no price there. */
export interface EditionEffect {
  readonly machine: string
  readonly before?: Exact
  readonly after?: Exact
}

export interface EditionEffectInputs {
  readonly plan: Plan
  readonly before: PriceBook
  readonly after: PriceBook
  readonly month: YearMonth
  readonly reading: MonthReading
}

/**
 * The plan's machines at the editions' provider, both editions taken as if they held in that month; the largest change
 * first, then those that one of them does not price. O(machines).
 */
export function editionEffect({ plan, before, after, month, reading }: EditionEffectInputs): EditionEffect[] {
  const [was, is] = [before, after].map((book) => {
    const held = { ...book, valid: { from: '1990-01-01' } }
    return new PlanPricing({ plan, books: [held], month, reading })
  }) as [PlanPricing, PlanPricing]
  const own = plan.machines.filter(({ provider }) => provider === after.provider.id)
  const effects = own.map((machine): EditionEffect => {
    const [then, now] = [was.of(machine), is.of(machine)]
    return {
      machine: machine.name,
      ...(then.ok && { before: then.estimate.total }),
      ...(now.ok && { after: now.estimate.total }),
    }
  })
  return effects.sort((a, b) => compare(changeOf(b), changeOf(a)))
}

/** Machines that one edition does not price come last. */
function changeOf({ before, after }: EditionEffect): Exact {
  if (!before || !after) return { n: -1n, d: 1n }
  const more = subtract(after, before)
  return more.n < 0n ? { n: -more.n, d: more.d } : more
}
