import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { withOffPlan } from '../off/offPlan.ts'
import { add, compare, divide, exact, multiply, ZERO } from '../quantity/exact.ts'
import { gib, lengthOf, SECONDS_PER_HOUR } from '../quantity/units.ts'
import { anyMachineOf } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { hourByState } from './hourByState.ts'
import { machineTotal } from './machineTotal.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const month = billingMonth('2027-03' as YearMonth, 'Etc/UTC')

/** Rules by which the hours of a month differ from one another. */
const withoutThresholds = (book: PriceBook): PriceBook => {
  const { longRunRebate, ...billing } = book.billing
  const { freeAllowances, ...rest } = book
  return {
    ...rest,
    billing,
    terms: book.terms.map((terms) => (terms.kind === 'flat' ? { ...terms, capHours: 745 } : terms)),
  }
}

describe('the cost of one hour', () => {
  test('in each state is the sum of its meters, by hand', () => {
    const machine = resolved({ address: 'fixed', image: 'supported' }, OFFICE_WEEK, RULE_BOOK)
    const shown = hourByState(machine, month).map(({ state, byMeter }) => [
      state,
      ...byMeter.map(({ meter, amount }) => `${meter} ${toDecimal(amount, 5)}`),
    ])
    // 9.86 ÷ 744 = 0.01325 for the disk; 4 × 0.01 for support; 16 × 0.05 ÷ 744 for the memory
    expect(shown).toEqual([
      ['running', 'compute 0.20670', 'licence 0.04000', 'disk 0.01325', 'address 0.00360'],
      ['stopped', 'compute 0.20670', 'licence 0.04000', 'disk 0.01325', 'address 0.00400'],
      ['deallocated', 'disk 0.01325', 'address 0.00400'],
      ['hibernated', 'disk 0.01325', 'address 0.00400', 'memory-image 0.00108'],
      ['deleted', 'disk 0.01325', 'address 0.00720'],
    ])
  })

  test('a commitment is paid in every state, its up-front share with it', () => {
    const machine = resolved({ terms: 'year-part' }, OFFICE_WEEK, RULE_BOOK)
    // 0.05, and 876 ÷ 12 ÷ 744
    for (const { byMeter } of hourByState(machine, month)) {
      expect(toDecimal(byMeter.find(({ meter }) => meter === 'commitment')!.amount, 6)).toBe('0.148118')
    }
  })

  test('times the hours of the month is what never switching off costs, where no threshold makes hours differ', () => {
    const anyCase = fc
      .constantFrom(...DEMO_BOOKS)
      .chain((book) =>
        anyMachineOf(book, ['week']).map((machine) => ({ book: withoutThresholds(book), machine })),
      )
    fc.assert(
      fc.property(anyCase, ({ book, machine }) => {
        const strip = ({ operationsPerMonth, ...disk }: (typeof machine)['systemDisk']) => disk
        const plain = resolved(
          {
            ...withOffPlan(machine, { off: 'running' }),
            trafficOutGiB: gib(0),
            systemDisk: strip(machine.systemDisk),
            dataDisks: machine.dataDisks.map(strip),
          },
          OFFICE_WEEK,
          book,
        )
        const span = billingMonth('2027-03' as YearMonth, book.billingZone)
        const running = hourByState(plain, span).find(({ state }) => state === 'running')!
        const hours = divide(exact(lengthOf(span)), exact(SECONDS_PER_HOUR))
        expect(compare(multiply(running.amount, hours), machineTotal(plain, span)!)).toBe(0)
        const sum = running.byMeter.reduce((total, { amount }) => add(total, amount), ZERO)
        expect(compare(sum, running.amount)).toBe(0)
      }),
      randomRuns(200),
    )
  })
})
