import { expect, test } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { parseDecimal } from '../core/quantity/decimal.ts'
import { moneyInPlan } from './moneyInPlan.ts'

test('the plan’s currency comes first, and what the provider bills beside it', () => {
  const exchangeRates = [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }]
  const month = '2027-03' as YearMonth
  const amount = parseDecimal('13.79')!
  // 13.79 × 0.9184 = 12.664736
  expect(moneyInPlan(amount, 'USD', { currency: 'EUR', exchangeRates }, month)).toBe('€ 12.66 ($ 13.79)')
  expect(moneyInPlan(amount, 'EUR', { currency: 'EUR', exchangeRates }, month)).toBe('€ 13.79')
  expect(moneyInPlan(amount, 'USD', { exchangeRates }, month)).toBe('$ 13.79')
  expect(moneyInPlan(amount, 'USD', { currency: 'PLN', exchangeRates }, month)).toBe('$ 13.79')
})
