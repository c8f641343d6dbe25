import fc from 'fast-check'
import { expect, test } from 'vitest'
import { billingMonth } from '../core/calendar/billingMonth.ts'
import { PlanPricing, type PricedMachine } from '../core/meter/planPricing.ts'
import { toDecimal } from '../core/quantity/decimal.ts'
import { subtract } from '../core/quantity/exact.ts'
import { anyPlanOf } from '../core/testing/anyPlan.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { PracticeProvider, practiceMonth } from '../practice/PracticeProvider.ts'
import { totalOf } from '../practice/usage.ts'
import { plannedSwitches } from './plannedSwitches.ts'
import { orderOf, playMachine, runningSeconds } from './playMonth.ts'
import { randomRuns } from '../core/testing/randomRuns.ts'

test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
  'what %s meters by itself is what was planned, to the last digit',
  (_, pattern) => {
    fc.assert(
      fc.property(anyPlanOf(pattern), ({ book: rules, weeks, machines, month }) => {
        const book = { ...rules, valid: { from: '2027-01-01' } }
        const span = billingMonth(month, book.billingZone)
        const [year, number] = month.split('-').map(Number) as [number, number]
        expect(practiceMonth(book.billingZone, year, number)).toEqual({ from: span.from, to: span.to })
        const pricing = new PlanPricing({
          plan: { machines, weeks },
          books: [book],
          month,
          reading: 'calendar',
        })
        const priced = machines.map((machine): PricedMachine => {
          const result = pricing.of(machine)
          if (!result.ok) throw new Error(JSON.stringify(result.issues))
          return result
        })
        const provider = new PracticeProvider(book)
        for (const { resolved } of priced) {
          const planned = plannedSwitches(resolved, span)
          const dry = playMachine(new PracticeProvider(book), orderOf(resolved), planned)
          playMachine(provider, orderOf(resolved, dry && runningSeconds(dry, span)), planned)
        }
        const usage = provider.usage(span)
        for (const { resolved, estimate } of priced) {
          const billed = totalOf(usage.get(resolved.machine.name) ?? [])
          expect(toDecimal(subtract(billed, estimate.total), 12)).toBe('0.000000000000')
        }
      }),
      randomRuns(60),
    )
  },
)
