import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { finish } from '../finish.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { compare, toNumber } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { cheapestFit } from '../search/cheapestFit.ts'
import { anyMachineOf, anyRulesOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import { Market } from './market.ts'
import { marketInputs } from './marketInputs.ts'
import { offerBound } from './offerBound.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const MONTH = '2027-03' as YearMonth
const RATES = [
  { from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' },
  { from: 'EUR', to: 'USD', rate: '1.0888', date: '2027-02-26' },
]

const anyNeeds: fc.Arbitrary<Machine['needs']> = fc.record({
  vcpu: fc.constantFrom(0, 0, 2, 8),
  memoryGiB: fc.constantFrom(0, 0, 4, 32).map(gib),
  iops: fc.constantFrom(0, 0, 2_000),
})

const asTheyShip = fc.constant(DEMO_BOOKS)
/** Minimums, begun hours, pools, caps, prices by the second, by hours, by room and of licences beside sizes. */
const withOtherRules = fc.tuple(...DEMO_BOOKS.map(anyRulesOf))

/** The search goes region by region and has nothing in common with the market but the meter and the fit. */
describe.each([
  ['as they ship', asTheyShip],
  ['with other rules', withOtherRules],
] as const)('over the books of the demo, %s', (_, anyBooks: fc.Arbitrary<readonly PriceBook[]>) => {
  test('the cheapest of the market is what the search finds, for any machine and week', () => {
    for (const own of DEMO_BOOKS) {
      fc.assert(
        fc.property(
          anyBooks,
          anyMachineOf(own, ['any']),
          anyNeeds,
          anyWeek('any'),
          (books, drawn, needs, week) => {
            const machine = { ...drawn, needs }
            const plan: Plan = {
              name: 'any',
              month: MONTH,
              weeks: [week],
              machines: [machine],
              exchangeRates: RATES,
            }
            const pricing = new PlanPricing({ plan, books, month: MONTH, reading: 'calendar' })
            const asked = marketInputs(pricing, plan, machine)
            if (!asked.ok) return
            const { inputs, total: present } = asked.value
            const questions = new Market().ask(inputs)
            const listed = cheapestOffers(questions, 20)
            const searched = finish(cheapestFit(inputs))
            if (!searched) {
              expect(listed).toEqual([])
              fc.pre(false)
            } else {
              expect(compare(listed[0]!.total, searched.total)).toBe(0)
              // As it is it stands there too, where it fits.
              if (fitReasons(inputs.resolved).length === 0)
                expect(compare(listed[0]!.total, present)).toBeLessThanOrEqual(0)
            }
            for (const { seller, region, terms, size, total } of listed) {
              const bound = offerBound(questions[seller]!, region, terms, size)
              expect(bound).toBeLessThanOrEqual(toNumber(total) * (1 + 1e-9) + 1e-9)
            }
          },
        ),
        randomRuns(1),
      )
    }
  })
})
