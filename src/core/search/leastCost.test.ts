import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { meterMachine } from '../meter/meterMachine.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { toNumber } from '../quantity/exact.ts'
import { anyMachineOf, anyRulesOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { resolved } from '../testing/resolved.ts'
import { leastCost } from './leastCost.ts'
import { randomRuns } from '../testing/randomRuns.ts'

test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
  'of %s is never above what machine time and commitment come to',
  (_, pattern) => {
    let reached = 0
    fc.assert(
      fc.property(
        anyRulesOf(pattern),
        anyMachineOf(pattern, ['one']),
        anyWeek('one'),
        fc.constantFrom('calendar' as const, '730-hours' as const),
        (book, machine, week, reading) => {
          const plan = { machines: [machine], weeks: [week] }
          const books = [{ ...book, valid: { from: '2027-01-01' } }]
          const priced = new PlanPricing({ plan, books, month: '2027-03' as YearMonth, reading }).of(machine)
          if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
          const { resolved: own, month, estimate } = priced
          const metered = meterMachine(own, month)
          const bound = leastCost(own.region, own.size, own.terms, metered, month, own.index.book)!
          const cost = estimate.charges
            .filter(({ meter }) => meter === 'compute' || meter === 'commitment')
            .reduce((sum, { amount }) => sum + toNumber(amount), 0)
          expect(bound).toBeLessThanOrEqual(cost + 1e-12)
          // A bound of nothing would pass nothing over.
          if (bound > cost * 0.6) reached += 1
        },
      ),
      randomRuns(40),
    )
    expect(reached).toBeGreaterThan(0)
  },
)

test('there is none for a size that the region does not sell on these terms', () => {
  const { region, size, terms, index } = resolved({ region: 'west', size: 'small' })
  const month = { from: 0, to: 0 } as never
  const huge = index.sizes.get('huge')!
  expect(leastCost(region, huge, terms, {} as never, month, index.book)).toBeUndefined()
  expect(size.id).toBe('small')
})
