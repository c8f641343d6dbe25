import fc from 'fast-check'
import { expect, test } from 'vitest'
import { toDecimal } from '../quantity/decimal.ts'
import { add, compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import type { Cause } from './cause.ts'
import { shownReconciliation } from './shownReconciliation.ts'

const cents = (n: number): Exact => ({ n: BigInt(n), d: 1_000n })

test('the plan’s total is that of its machines as they are shown, and causes still add up', () => {
  const machine = (name: string, planned: number, billed: number) => ({
    machine: name,
    isPlanned: true,
    planned: cents(planned),
    billed: cents(billed),
    days: [],
  })
  const cause: Cause = { code: 'more-time', of: 'a', meter: 'machine-time', amount: cents(30) }
  const tax: Cause = { code: 'tax', of: '', meter: undefined, amount: cents(500) }
  const found = shownReconciliation(
    {
      planned: cents(2_008),
      billed: cents(2_538),
      unexplained: ZERO,
      causes: [tax, cause],
      machines: [machine('a', 1_004, 1_034), machine('b', 1_004, 1_004)],
    },
    2,
  )
  // 1.004 is shown as 1.00, so that 2.008 is 2.00.
  expect([found.planned, found.billed].map((amount) => toDecimal(amount, 3))).toEqual(['2.000', '2.530'])
  expect(found.causes.map(({ code, amount }) => `${code} ${toDecimal(amount, 3)}`)).toEqual([
    'tax 0.500',
    'more-time 0.030',
  ])
})

test('whatever the amounts', () => {
  const amount = fc.integer({ min: -1_000_000, max: 1_000_000 }).map(cents)
  fc.assert(
    fc.property(fc.array(fc.tuple(amount, amount), { maxLength: 8 }), (amounts) => {
      const machines = amounts.map(([planned, billed], i) => ({
        machine: String(i),
        isPlanned: true,
        planned,
        billed,
        days: [],
      }))
      const sum = (of: readonly Exact[]): Exact => of.reduce(add, ZERO)
      const [planned, billed] = [sum(amounts.map(([each]) => each)), sum(amounts.map(([, each]) => each))]
      const causes = machines.map((each): Cause => ({
        code: 'price',
        of: each.machine,
        meter: 'machine-time',
        amount: subtract(each.billed, each.planned),
      }))
      const found = shownReconciliation({ planned, billed, unexplained: ZERO, causes, machines }, 2)
      const total = sum(found.causes.map((cause) => cause.amount))
      expect(compare(total, subtract(found.billed, found.planned))).toBe(0)
    }),
  )
})
