import fc from 'fast-check'
import Fraction from 'fraction.js'
import { expect, test } from 'vitest'
import { billingMonth, MONTH_READINGS } from '../calendar/billingMonth.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { anyMachineOf, anyRulesOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { simpleMeter } from '../testing/simpleMeter.ts'
import { PlanPricing } from './planPricing.ts'

const anyPlanOf = (book: PriceBook) =>
  fc.record({
    book: anyRulesOf(book),
    weeks: fc.tuple(anyWeek('one'), anyWeek('two')),
    machines: fc
      .array(anyMachineOf(book, ['one', 'two']), { minLength: 1, maxLength: 4 })
      .map((machines) => machines.map((machine, i) => ({ ...machine, name: `machine-${i}` }))),
    month: fc.integer({ min: 0, max: 11 }).map((count) => addMonths('2027-01' as YearMonth, count)!),
    reading: fc.constantFrom(...MONTH_READINGS),
  })

test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
  'plans of %s cost what a plain walk through the month costs',
  (_, pattern) => {
    fc.assert(
      fc.property(anyPlanOf(pattern), ({ book, weeks, machines, month, reading }) => {
        const dated = { ...book, valid: { from: '2027-01-01' } }
        const pricing = new PlanPricing({ plan: { machines, weeks }, books: [dated], month, reading })
        const span = billingMonth(month, book.billingZone, reading)
        const simple = simpleMeter({ machines, weeks, book, month: span, reading })
        for (const machine of machines) {
          const result = pricing.of(machine)
          if (!result.ok) throw new Error(JSON.stringify(result.issues))
          const { n, d } = result.estimate.total
          expect(new Fraction(n, d).toFraction()).toBe(simple.get(machine.name)!.toFraction())
        }
      }),
      { seed: 730, numRuns: pattern.freeAllowances ? 20 : 10 },
    )
  },
)
