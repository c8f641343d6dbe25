import { shutdownAfterWindows } from '../core/calendar/shutdownAfterWindows.ts'
import type { WeekPlan } from '../core/calendar/weekPlan.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { PlanPricing } from '../core/meter/planPricing.ts'
import { shownInPlan } from '../core/meter/planTotals.ts'
import { NO_CURRENCY } from '../core/quantity/currency.ts'
import { add, compare, divide, exact, subtract, ZERO, type Exact } from '../core/quantity/exact.ts'
import { totalOf } from '../practice/usage.ts'
import type { MishapKind, MishapRates } from './mishap.ts'
import { readyToRehearse, rehearse, type Rehearsal, type Rehearsed } from './rehearse.ts'

export interface SpreadQuestion {
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  readonly rates: MishapRates
  /** How many months are rehearsed. */
  readonly count: number
}

/** What one kind of mishap costs in an average month. */
interface KindCost {
  readonly kind: MishapKind
  /** How often it happened, a month. */
  readonly times: number
  readonly cost: Exact
}

/** Many rehearsals of one month, in the plan’s currency. */
export interface RehearsalSpread {
  readonly currency: string
  /** Currencies of machines that are left out, because no rate is known. */
  readonly withoutRate: readonly string[]
  readonly planned: Exact
  /** Of each rehearsal, the cheapest first, with the number that lets it happen again. */
  readonly months: readonly { readonly seed: number; readonly total: Exact }[]
  /** The dearest first. Where several kinds befall one machine, each is given the same share. */
  readonly kinds: readonly KindCost[]
  /** What the same months would cost less on average with an auto-shutdown in every week that has none. */
  readonly savedByShutdown: Exact
}

type InPlan = (amount: Exact, from: string) => Exact | undefined

const SHOWN_DECIMALS = 2
/** A fifth of the months tells what an average one saves. */
const GUARDED_EVERY = 5

function withShutdown(week: WeekPlan): WeekPlan {
  const autoShutdown = shutdownAfterWindows(week)
  return autoShutdown ? { ...week, autoShutdown } : week
}

/** Yields how many are done. O(rehearsals × machines × switches). */
export function* rehearsalSpread({
  plan,
  books,
  month,
  rates,
  count,
}: SpreadQuestion): Generator<number, RehearsalSpread> {
  const ready = readyFor(plan, books, month)
  const guarded = readyFor({ ...plan, weeks: plan.weeks.map(withShutdown) }, books, month)
  const currency = plan.currency ?? ready[0]?.resolved.index.book.currency ?? NO_CURRENCY
  const inPlan: InPlan = (amount, from) => shownInPlan(amount, from, currency, plan, month, SHOWN_DECIMALS)
  const currencies = new Set(ready.map(({ resolved }) => resolved.index.book.currency))
  const planned = totals(rehearse(ready, {}, 0), inPlan)
  const sum = (all: ReadonlyMap<string, Exact>): Exact => [...all.values()].reduce(add, ZERO)
  const months: { seed: number; total: Exact }[] = []
  const kinds = new Map<MishapKind, { times: number; cost: Exact }>()
  let saved = ZERO
  let guards = 0
  for (let seed = 1; seed <= count; seed += 1) {
    const rehearsal = rehearse(ready, rates, seed)
    const found = totals(rehearsal, inPlan)
    const total = sum(found)
    months.push({ seed, total })
    countKinds(kinds, rehearsal, found, planned)
    if (seed % GUARDED_EVERY === 1) {
      guards += 1
      saved = add(saved, subtract(total, sum(totals(rehearse(guarded, rates, seed), inPlan))))
    }
    yield seed
  }
  const each = exact(Math.max(1, count))
  return {
    currency,
    withoutRate: [...currencies].filter((from) => !inPlan(ZERO, from)),
    planned: sum(planned),
    months: months.sort((a, b) => compare(a.total, b.total)),
    kinds: [...kinds]
      .map(([kind, { times, cost }]) => ({
        kind,
        times: times / Math.max(1, count),
        cost: divide(cost, each),
      }))
      .sort((a, b) => compare(b.cost, a.cost)),
    savedByShutdown: divide(saved, exact(Math.max(1, guards))),
  }
}

function readyFor(plan: Plan, books: readonly PriceBook[], month: YearMonth): Rehearsed[] {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  return readyToRehearse(plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok))
}

/** Of each machine with a rate, by name, as it is shown: a plan’s total is their sum. */
function totals({ providers }: Rehearsal, inPlan: InPlan): Map<string, Exact> {
  return new Map(
    providers.flatMap(({ book, month, provider }) =>
      [...provider.usage(month)].flatMap(([name, usages]): [string, Exact][] => {
        const amount = inPlan(totalOf(usages), book.currency)
        return amount ? [[name, amount]] : []
      }),
    ),
  )
}

function countKinds(
  kinds: Map<MishapKind, { times: number; cost: Exact }>,
  { mishaps }: Rehearsal,
  found: ReadonlyMap<string, Exact>,
  planned: ReadonlyMap<string, Exact>,
): void {
  const ofMachine = new Map<string, Set<MishapKind>>()
  for (const { kind, machine } of mishaps) {
    const known = kinds.get(kind) ?? { times: 0, cost: ZERO }
    kinds.set(kind, { ...known, times: known.times + 1 })
    ofMachine.set(machine, (ofMachine.get(machine) ?? new Set()).add(kind))
  }
  for (const [machine, own] of ofMachine) {
    const more = subtract(found.get(machine) ?? ZERO, planned.get(machine) ?? ZERO)
    for (const kind of own) {
      const known = kinds.get(kind)!
      kinds.set(kind, { ...known, cost: add(known.cost, divide(more, exact(own.size))) })
    }
  }
}
