import { expect, test } from 'vitest'
import { toDecimal } from '../quantity/decimal.ts'
import { exact, ZERO } from '../quantity/exact.ts'
import type { Cause } from './cause.ts'
import { forecast } from './forecast.ts'
import { inCurrency } from './inCurrency.ts'

const dates = (count: number) =>
  Array.from({ length: count }, (_, i) => `2027-03-${String(i + 1).padStart(2, '0')}`)

const forgotten = (days: readonly string[], amount: number): Cause => ({
  code: 'more-time',
  of: 'replay',
  meter: 'machine-time',
  amount: exact(amount),
  days: days.map((day) => ({ day, planned: ZERO, billed: ZERO })),
})

const read = ({ low, expected, high }: ReturnType<typeof forecast>): string[] =>
  [low, expected, high].map((amount) => toDecimal(amount, 2))

test('14 days with 28 forgotten in the second week: 2 a day is usual, 4 a day the worst week', () => {
  const days = dates(14)
  const causes = [forgotten(days.slice(7), 28)]
  const found = forecast({ billed: exact(128), plannedRest: exact(100), causes, days, daysToCome: 10 })
  expect(read(found)).toEqual(['228.00', '248.00', '268.00'])
})

test('where nothing was forgotten all three are the same; what is no time does not count', () => {
  const price: Cause = { ...forgotten(dates(3), 50), code: 'price' }
  const found = forecast({
    billed: exact(10),
    plannedRest: exact(5),
    causes: [price],
    days: dates(3),
    daysToCome: 4,
  })
  expect(read(found)).toEqual(['15.00', '15.00', '15.00'])
})

test('a bill of one day is its own worst week', () => {
  const days = dates(1)
  const found = forecast({
    billed: exact(3),
    plannedRest: ZERO,
    causes: [forgotten(days, 1)],
    days,
    daysToCome: 2,
  })
  expect(read(found)).toEqual(['3.00', '5.00', '5.00'])
})

test('currencies with a rate become one, roundings among them too; others stay', () => {
  const of = (currency: string, planned: number) => ({
    currency,
    planned: exact(planned),
    billed: exact(planned + 1),
    unexplained: ZERO,
    causes: [
      { code: 'price', of: currency, meter: 'machine-time', amount: exact(1) },
      { code: 'rounding', of: '', meter: undefined, amount: { n: 1n, d: 1_000n } },
    ] satisfies Cause[],
    machines: [],
  })
  const rates = new Map([
    ['EUR', exact(1)],
    ['USD', { n: 9n, d: 10n }],
  ])
  const found = inCurrency([of('USD', 10), of('JPY', 5), of('EUR', 20)], 'EUR', (from) => rates.get(from))
  expect(found.map(({ currency, planned }) => `${currency} ${toDecimal(planned, 2)}`)).toEqual([
    'EUR 29.00',
    'JPY 5.00',
  ])
  expect(found[0]!.causes.map(({ code, amount }) => `${code} ${toDecimal(amount, 4)}`)).toEqual([
    'price 1.0000',
    'price 0.9000',
    'rounding 0.0019',
  ])
})
