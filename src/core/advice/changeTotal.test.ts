import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { parseDecimal, toDecimal } from '../quantity/decimal.ts'
import { changeTotal } from './changeTotal.ts'

const money = (text: string) => parseDecimal(text)!
const MONTH = '2027-03' as YearMonth

test('adds up what is shown, and names what it leaves out', () => {
  const plan = {
    currency: 'EUR',
    exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.5', date: '2027-02-01' }],
  }
  const total = changeTotal(
    [
      { name: 'a', currency: 'EUR', before: money('10.004'), after: money('8.006') },
      { name: 'b', currency: 'USD', before: money('3.03'), after: money('1') },
      { name: 'c', currency: 'JPY', before: money('3'), after: money('1') },
      { name: 'd', currency: 'EUR', before: undefined, after: money('1') },
    ],
    plan,
    MONTH,
    2,
  )
  // 10.00 to 8.01, and 1.515, which is shown as 1.52, to 0.50.
  expect(toDecimal(total.difference, 4)).toBe('-3.0100')
  expect([total.currency, total.leftOut]).toEqual(['EUR', ['c', 'd']])
})

test('nothing changed is nothing, in the plan’s currency or the first machine’s', () => {
  expect(changeTotal([], {}, MONTH, 2)).toMatchObject({ currency: 'XXX', leftOut: [] })
  const [same] = [{ name: 'a', currency: 'SEK', before: money('1'), after: money('1') }]
  expect(changeTotal([same], {}, MONTH, 2).currency).toBe('SEK')
})
