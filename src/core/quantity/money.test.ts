import { expect, test } from 'vitest'
import { exact } from './exact.ts'
import { addMoney, CurrencyError, money, totalMoney } from './money.ts'

test('amounts of one currency add up', () => {
  expect(addMoney(money('EUR', exact(2)), money('EUR', exact(3)))).toEqual({
    currency: 'EUR',
    amount: exact(5),
  })
})

test('adding two currencies does not compile, and is a coded error where types are got round', () => {
  // @ts-expect-error dollars are not euros
  const mixed = () => addMoney(money('EUR', exact(1)), money('USD', exact(1)))
  expect(mixed).toThrow(CurrencyError)
  expect(mixed).toThrow('USD cannot be added to EUR without a rate')
})

test('totals of amounts from data are refused with the currencies that differ', () => {
  const parts = [money('EUR', exact(1)), money<string>('USD', exact(2))]
  expect(totalMoney(parts, 'EUR')).toEqual({
    ok: false,
    issues: [{ code: 'currency-mismatch', expected: 'EUR', found: 'USD' }],
  })
  expect(totalMoney([], 'EUR')).toEqual({ ok: true, value: { currency: 'EUR', amount: exact(0) } })
})
