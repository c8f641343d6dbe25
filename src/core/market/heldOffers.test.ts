import fc from 'fast-check'
import { expect, test } from 'vitest'
import { finish } from '../finish.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { resolveMachine, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { bookFor } from '../catalogue/bookFor.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { resolveChoice } from '../decisions/choice.ts'
import { bestNotch } from '../wholePlan/bestNotch.ts'
import { planMix } from './planMix.ts'
import { isOpen } from '../notches/plate.ts'
import { platesOf } from '../notches/plates.ts'
import { cheapestFit } from '../search/cheapestFit.ts'
import { randomRuns } from '../testing/randomRuns.ts'
import { anyMarketBook, anyMarketMachine, marketInputs, MARKET_MONTH } from '../testing/everyForm.ts'
import { lostOfHeld } from '../testing/lostOfHeld.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import { Market } from './market.ts'

const planOf = (machines: readonly Machine[]): Plan => ({
  name: 'any',
  month: MARKET_MONTH,
  weeks: [OFFICE_WEEK],
  machines,
  currency: 'EUR',
  exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }],
})

const BOOKS = [anyMarketBook('mill', 'EUR'), anyMarketBook('weir', 'USD')] as const

/** The form as the seller's book has it, or a fault. */
function resolvedOf(machine: Machine, plan: Plan, books: readonly PriceBook[]): ResolvedMachine {
  const index = bookFor(machine.provider, books, MARKET_MONTH)
  const found = index.ok ? resolveMachine(machine, plan, index.value) : undefined
  if (!found?.ok) throw new Error(`${machine.name} is not sold as it was proposed`)
  return found.value
}

test('no offer, no cheapest and no open choice loses what nobody has said may go', () => {
  let moved = 0
  fc.assert(
    fc.property(...BOOKS, anyMarketMachine, (own, other, drawn) => {
      const machine = { ...drawn, pinned: [] }
      const plan = planOf([machine])
      const inputs = marketInputs(plan, [own, other], machine)
      const { resolved: now } = inputs
      const keeps = (then: ResolvedMachine) =>
        expect([then.machine, lostOfHeld(now, then)]).toEqual([then.machine, []])
      const offers = cheapestOffers(new Market().ask(inputs), 300)
      for (const { resolved } of offers) keeps(resolved)
      const found = finish(cheapestFit(inputs))
      if (found) keeps(resolvedOf(found.machine, plan, [own, other]))
      for (const plate of platesOf(inputs)) {
        // What stands on the plate without other changes, and what a saving would take.
        const open = plate.notches.filter((notch) => isOpen(notch) && !notch.index && !notch.isPresent)
        for (const { choice } of open) keeps(resolveChoice(now, choice))
        const best = bestNotch(plate, now)
        if (best) keeps(resolveChoice(now, best.choice))
        moved += open.length
      }
      moved += offers.length
    }),
    randomRuns(8),
  )
  expect(moved).toBeGreaterThan(0)
})

test('no mix loses what nobody has said may go', () => {
  fc.assert(
    fc.property(...BOOKS, fc.array(anyMarketMachine, { minLength: 2, maxLength: 3 }), (own, other, drawn) => {
      const machines = drawn.map((machine, at) => ({ ...machine, name: `machine-${at}`, pinned: [] }))
      const plan = planOf(machines)
      const books = [own, other]
      const question = { plan, books, month: MARKET_MONTH, reading: 'calendar' } as const
      const answer = finish(planMix(new Market(), { ...question, providers: 2, places: 2 }))
      const mixes = [answer.best, ...answer.byProvider, ...answer.byPlace].filter((mix) => mix !== undefined)
      for (const { name, row } of mixes.flatMap(({ moves }) => moves)) {
        const now = resolvedOf(
          machines.find((each) => each.name === name)!,
          plan,
          books,
        )
        expect([row.machine, lostOfHeld(now, resolvedOf(row.machine, plan, books))]).toEqual([
          row.machine,
          [],
        ])
      }
    }),
    randomRuns(3),
  )
})
