import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { finish } from '../finish.ts'
import { exchanged, exchangeFor } from '../machine/exchange.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { toNumber } from '../quantity/exact.ts'
import {
  anyMarketBook,
  anyMarketMachine,
  everyForm,
  marketInputs,
  MARKET_MONTH,
} from '../testing/everyForm.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { Market } from './market.ts'
import { planMix } from './planMix.ts'
import { randomRuns } from '../testing/randomRuns.ts'

interface Stand {
  readonly provider: string
  readonly region: string
  readonly zone: string
  readonly cost: number
}

/** What a machine costs at the least in each zone, in euros, by looking at every form that it can have. */
function leastByZone(plan: Plan, books: readonly PriceBook[], machine: Machine): Stand[] {
  const { apart, ...needs } = machine.needs
  const alone = { ...machine, needs }
  const least = new Map<string, Stand>()
  for (const { resolved, total } of everyForm(marketInputs({ ...plan, machines: [alone] }, books, alone))) {
    const { provider, region, zone } = resolved.machine
    const exchange = exchangeFor('EUR', 'EUR', plan.exchangeRates, MARKET_MONTH)
    const cost = toNumber(exchanged(total, exchange)!)
    const key = `${provider}/${region}/${zone}`
    if (cost < (least.get(key)?.cost ?? Infinity)) least.set(key, { provider, region, zone, cost })
  }
  return [...least.values()]
}

/** So that every form can be looked at. */
const withFewSizes = ({ freeAllowances: _, ...book }: PriceBook): PriceBook => ({
  ...book,
  sizes: book.sizes.filter(({ id }) => ['middle', 'rare', 'tenth', 'huge'].includes(id)),
})

const placeOf = ({ provider, region }: Stand): string => `${provider}/${region}`

/** Whether machines at these stands keep to the group and to how many places and providers there may be. */
function isAllowed(
  stands: readonly Stand[],
  machines: readonly Machine[],
  mostInZone: number,
  limits: { readonly providers: number; readonly places: number },
): boolean {
  const places = new Set(stands.map(placeOf))
  const providers = new Set(stands.map(({ provider }) => provider))
  if (places.size > limits.places || providers.size > limits.providers) return false
  return stands.every((stand, i) => {
    const { apart } = machines[i]!.needs
    if (!apart) return true
    const others = stands.filter((_, at) => at !== i && machines[at]!.needs.apart)
    const there = others.filter((other) => placeOf(other) === placeOf(stand))
    if (apart.sharesNothing && there.length > 0) return false
    return there.filter(({ zone }) => zone === stand.zone).length < mostInZone
  })
}

test('the mix of machines that must not fall together is the cheapest of all ways to place them', () => {
  fc.assert(
    fc.property(
      anyMarketBook('mill', 'EUR'),
      anyMarketBook('weir', 'EUR'),
      fc.array(anyMarketMachine, { minLength: 3, maxLength: 3 }),
      fc.record({
        providers: fc.integer({ min: 1, max: 2 }),
        places: fc.integer({ min: 1, max: 3 }),
        mostInZone: fc.constantFrom(1, 2),
        inGroup: fc.subarray([0, 1, 2], { minLength: 2 }),
        alone: fc.constantFrom(undefined, 0, 1),
      }),
      (own, other, drawn, { providers, places, mostInZone, inGroup, alone }) => {
        const books = [own, other].map(withFewSizes)
        const machines = drawn.map(({ needs: { vcpu, memoryGiB }, ...machine }, at): Machine => ({
          ...machine,
          name: `machine-${at}`,
          pinned: [],
          needs: {
            vcpu,
            memoryGiB,
            iops: 0,
            ...(inGroup.includes(at) && {
              apart: { group: 'web', ...(at === alone && { sharesNothing: true }) },
            }),
          },
        }))
        const plan: Plan = {
          name: 'any',
          month: MARKET_MONTH,
          weeks: [OFFICE_WEEK],
          machines,
          currency: 'EUR',
          apartGroups: [{ name: 'web', mostInZone }],
        }
        const choices = machines.map((machine) => leastByZone(plan, books, machine))
        // What fits nowhere stays where it is.
        fc.pre(choices.every(({ length }) => length > 0))
        const { best } = finish(
          planMix(new Market(), { plan, books, month: MARKET_MONTH, reading: 'calendar', providers, places }),
        )
        let expected = Infinity
        for (const first of choices[0]!)
          for (const second of choices[1]!)
            for (const third of choices[2]!) {
              const stands = [first, second, third]
              const cost = stands.reduce((sum, stand) => sum + stand.cost, 0)
              if (cost < expected && isAllowed(stands, machines, mostInZone, { providers, places }))
                expected = cost
            }
        if (expected === Infinity) {
          expect(best).toBeUndefined()
          // Only what was found counts as a run.
          fc.pre(false)
        }
        expect(best!.missing).toEqual([])
        expect(Math.abs(toNumber(best!.total) - expected)).toBeLessThanOrEqual(0.005 * machines.length + 1e-6)
      },
    ),
    randomRuns(3),
  )
})
