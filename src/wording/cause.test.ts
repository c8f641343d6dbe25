import { expect, test } from 'vitest'
import { CAUSE_CODES } from '../core/reconcile/cause.ts'
import { exact, ZERO } from '../core/quantity/exact.ts'
import { causeText } from './cause.ts'

test('each cause is a sentence of its own', () => {
  const texts = CAUSE_CODES.map((code) => causeText({ code, of: 'replay', meter: undefined, amount: ZERO }))
  expect(new Set(texts).size).toBe(CAUSE_CODES.length)
  expect(texts.every((text) => /^replay: [a-z].{2,60}$/.test(text))).toBe(true)
})

test('hours and days, prices by the hour and by the month, and what is about nothing', () => {
  const day = (date: string) => ({ day: date, planned: ZERO, billed: exact(5_400) })
  const days = ['2027-03-06', '2027-03-07', '2027-03-13', '2027-03-14', '2027-03-20'].map(day)
  expect(
    causeText({ code: 'more-time', of: 'a', meter: 'machine-time', amount: ZERO, unit: 'time', days }),
  ).toBe(
    'a, machine time: on for longer than planned, 7.5 h on 2027-03-06, 2027-03-07, 2027-03-13, 2027-03-14 and 1 more day',
  )
  const price = (n: bigint, d: bigint) => ({ planned: { n, d }, billed: { n: n * 2n, d } })
  const dearer = { code: 'price', of: 'a', amount: ZERO, since: '2027-03-09' } as const
  expect(causeText({ ...dearer, meter: 'machine-time', unit: 'time', prices: price(1n, 36_000n) })).toBe(
    'a, machine time: at another price than planned, 0.2 in place of 0.1 an hour since 2027-03-09',
  )
  expect(causeText({ ...dearer, meter: 'disk', unit: 'GiB-time', prices: price(1n, 26_280_000n) })).toContain(
    '0.2 in place of 0.1 a month',
  )
  expect(causeText({ code: 'credit', of: '', meter: undefined, amount: ZERO })).toBe('credit')
})
