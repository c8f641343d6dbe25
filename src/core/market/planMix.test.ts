import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { readPlan } from '../../files/plan/planFile.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { finish } from '../finish.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { planTotals } from '../meter/planTotals.ts'
import { exchanged, exchangeFor } from '../machine/exchange.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { add, compare, subtract, toNumber, type Exact } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import {
  anyMarketBook,
  anyMarketMachine,
  everyForm,
  marketInputs,
  MARKET_MONTH,
} from '../testing/everyForm.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { Market } from './market.ts'
import { EVERY_DAY, weekOf, windowsOn } from '../testing/weeks.ts'
import type { MixQuestion } from './mixQuestion.ts'
import { planMix } from './planMix.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const ask = (question: MixQuestion) => finish(planMix(new Market(), question))

/** What each machine costs at the least at each place, by looking at every form that it can have. */
function leastByPlace(plan: Plan, books: MixQuestion['books'], machine: Machine): Map<string, number> {
  const least = new Map<string, Exact>()
  for (const { resolved, total } of everyForm(marketInputs(plan, books, machine))) {
    const key = `${resolved.machine.provider}/${resolved.machine.region}`
    const known = least.get(key)
    if (!known || compare(total, known) < 0) least.set(key, total)
  }
  const from = books.find(({ provider }) => provider.id === machine.provider)!.currency
  const exchange = exchangeFor(from, 'EUR', plan.exchangeRates, MARKET_MONTH)
  return new Map([...least].map(([key, total]) => [key, toNumber(exchanged(total, exchange)!)]))
}

describe('the best mix', () => {
  test('is that of looking at every set of places, over random books and needs', () => {
    fc.assert(
      fc.property(
        anyMarketBook('mill', 'EUR'),
        anyMarketBook('weir', 'USD'),
        fc.array(anyMarketMachine, { minLength: 2, maxLength: 2 }),
        fc.integer({ min: 1, max: 2 }),
        fc.integer({ min: 1, max: 3 }),
        (own, other, drawn, providers, places) => {
          const books = [own, other].map(({ freeAllowances: _, ...book }) => book)
          const machines = drawn.map((machine, at) => ({
            ...machine,
            name: `machine-${at}`,
            pinned: [],
            needs: { vcpu: machine.needs.vcpu, memoryGiB: machine.needs.memoryGiB, iops: 0 },
          }))
          const plan: Plan = {
            name: 'any',
            month: MARKET_MONTH,
            weeks: [OFFICE_WEEK],
            machines,
            currency: 'EUR',
            exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }],
          }
          const question = {
            plan,
            books,
            month: MARKET_MONTH,
            reading: 'calendar',
            providers,
            places,
          } as const
          const { best } = ask(question)
          const costs = machines.map((machine) => leastByPlace(plan, books, machine))
          // What fits nowhere stays where it is.
          fc.pre(costs.every(({ size }) => size > 0))
          const all = [...new Set(costs.flatMap((each) => [...each.keys()]))]
          let expected = Infinity
          for (let set = 1; set < 2 ** all.length; set += 1) {
            const chosen = all.filter((_, at) => set & (1 << at))
            const sellers = new Set(chosen.map((key) => key.split('/')[0]))
            if (chosen.length > places || sellers.size > providers) continue
            const sum = costs.reduce(
              (total, each) => total + Math.min(...chosen.map((key) => each.get(key) ?? Infinity)),
              0,
            )
            expected = Math.min(expected, sum)
          }
          if (expected === Infinity) {
            expect(best).toBeUndefined()
            // Only what was found counts as a run.
            fc.pre(false)
          }
          // What is shown is rounded machine by machine.
          expect(Math.abs(toNumber(best!.total) - expected)).toBeLessThanOrEqual(
            0.005 * machines.length + 1e-9,
          )
        },
      ),
      randomRuns(2),
    )
  })
})

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const demo = read.value
const demoQuestion = {
  plan: demo,
  books: DEMO_BOOKS,
  month: '2027-03' as YearMonth,
  reading: 'calendar',
  providers: 2,
  places: 2,
} as const

test('of the demo, what is shown is what the plan costs once it is taken; more places are never dearer', () => {
  const { best, now, currency, byProvider } = ask(demoQuestion)
  const forms = new Map(best!.moves.map(({ name, row }) => [name, row.machine]))
  const machines = demo.machines.map((machine) => forms.get(machine.name) ?? machine)
  const taken = { ...demo, machines }
  const pricing = new PlanPricing({ ...demoQuestion, plan: taken })
  const estimates = machines.flatMap((machine) => {
    const result = pricing.of(machine)
    return result.ok ? [result.estimate] : []
  })
  expect(compare(planTotals(taken, estimates, demoQuestion.month, 2).planned, best!.total)).toBe(0)
  expect(currency).toBe('EUR')
  expect(compare(best!.total, now)).toBeLessThan(0)
  expect([...best!.moves.map(({ name }) => name), ...best!.stay].toSorted()).toEqual(
    demo.machines.map(({ name }) => name).toSorted(),
  )
  // A machine that is pinned to its place is there in every mix.
  expect(byProvider.length).toBeGreaterThan(1)
  const one = ask({ ...demoQuestion, providers: 1, places: 1 }).best
  const three = ask({ ...demoQuestion, providers: 3, places: 3 }).best
  if (one) expect(toNumber(one.total)).toBeGreaterThanOrEqual(toNumber(best!.total) - 0.1)
  expect(toNumber(three!.total)).toBeLessThanOrEqual(toNumber(best!.total) + 0.1)
})

describe('with free hours that are shared', () => {
  const ALWAYS = weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-24:00'))
  const bookAt = (id: string, perHour: string, hoursPerMonth?: number): PriceBook => ({
    ...RULE_BOOK,
    provider: { id, name: id },
    currency: 'EUR',
    regions: [RULE_BOOK.regions[0]!],
    ...(hoursPerMonth !== undefined && {
      freeAllowances: [{ id: 'free', eligible: ['middle'], hoursPerMonth, until: '2099-12-31' }],
    }),
    prices: {
      east: {
        ...RULE_BOOK.prices.east!,
        sizes: { middle: { perHour } },
        disks: { steps: { perMonthByStep: { 32: '0', 64: '0', 128: '0', 256: '0' } } },
      },
    },
  })
  const machineAt = (at: number, part: Partial<Machine> = {}): Machine => ({
    ...SMALL_MACHINE,
    name: `machine-${at}`,
    provider: 'bb',
    ...part,
  })
  const questionOf = (
    machines: readonly Machine[],
    books: MixQuestion['books'],
    places = 2,
  ): MixQuestion => ({
    plan: {
      name: 'any',
      month: MARKET_MONTH,
      weeks: [ALWAYS],
      machines,
      currency: 'EUR',
      exchangeRates: [],
    },
    books,
    month: MARKET_MONTH,
    reading: 'calendar',
    providers: 2,
    places,
  })
  const totalText = (total: Exact): string => toDecimal(total, 2)

  test('two machines do not both have them: one goes, one stays', () => {
    const books = [bookAt('aa', '0.20', 400), bookAt('bb', '0.10')]
    const machines = [machineAt(0), machineAt(1)]
    const { now, best } = ask(questionOf(machines, books))
    // 744 h × 0.10 twice; (744 − 400) × 0.20 and 744 × 0.10.
    expect([totalText(now), totalText(best!.total), best!.isExact]).toEqual(['148.80', '143.20', true])
    expect([best!.moves.length, best!.stay.length]).toEqual([1, 1])
    // Only one place: staying is the cheapest.
    expect(totalText(ask(questionOf(machines, books, 1)).best!.total)).toBe('148.80')
  })

  test('is never dearer than staying or than any other way, over random plans', () => {
    const anyMachine = fc.record({ provider: fc.constantFrom('aa', 'bb', 'cc') })
    const cents = fc.integer({ min: 5, max: 30 }).map((count) => (count / 100).toFixed(2))
    fc.assert(
      fc.property(
        fc.array(anyMachine, { minLength: 1, maxLength: 4 }),
        fc.tuple(cents, cents, cents),
        fc.tuple(...[0, 1].map(() => fc.integer({ min: 1, max: 1_500 }))),
        (parts, [aa, bb, cc], [first, second]) => {
          const books = [bookAt('aa', aa, first), bookAt('bb', bb), bookAt('cc', cc, second)]
          const machines = parts.map((part, at) => machineAt(at, part))
          const question = { ...questionOf(machines, books, 3), providers: 3 }
          const { best, now } = ask(question)
          const everyWay = machines.reduce<readonly (readonly string[])[]>(
            (all) => all.flatMap((some) => ['aa', 'bb', 'cc'].map((each) => [...some, each])),
            [[]],
          )
          const least = everyWay
            .map((sellers) => {
              const moved = machines.map((machine, at) => ({ ...machine, provider: sellers[at]! }))
              const plan = { ...question.plan, machines: moved }
              const pricing = new PlanPricing({ ...question, plan })
              const estimates = moved.flatMap((machine) => {
                const result = pricing.of(machine)
                return result.ok ? [result.estimate] : []
              })
              return planTotals(plan, estimates, question.month, 2).planned
            })
            .reduce((low, total) => (compare(total, low) < 0 ? total : low))
          expect(compare(best!.total, now)).toBeLessThanOrEqual(0)
          // What is shown is rounded machine by machine: two halves of a cent may be one, or none.
          const dearer = toNumber(subtract(best!.total, least))
          if (best!.isExact) expect(dearer).toBeLessThanOrEqual(0.005 * machines.length + 1e-9)
          const rows = best!.moves.map(({ before, after }) => subtract(after!, before!))
          const sum = [...rows, best!.stayDifference].reduce((all, each) => add(all, each), now)
          expect(totalText(sum)).toBe(totalText(best!.total))
        },
      ),
      randomRuns(12),
    )
  })
})
