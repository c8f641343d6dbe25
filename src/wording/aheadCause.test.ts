import { expect, test } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { parseDecimal } from '../core/quantity/decimal.ts'
import { causeLines } from './aheadCause.ts'

const money = (text: string) => parseDecimal(text)!
const words = { currency: 'EUR', provider: () => 'Mill', leftOut: ['a', 'b'] }

test('each cause says the same month without it and with it, and the rest of the difference has a line', () => {
  const causes = [
    {
      kind: 'allowance',
      provider: 'mill',
      name: 'Trial',
      on: '2027-09-30',
      without: money('810.12'),
      with: money('823.63'),
    },
    { kind: 'edition', provider: 'mill', edition: '2', without: money('823.63'), with: money('820') },
    {
      kind: 'book',
      provider: 'mill',
      edition: '2',
      on: '2027-09-30',
      without: money('820'),
      with: money('700'),
    },
  ] as const
  expect(causeLines('2027-10' as YearMonth, { causes, days: money('2.86') }, words)).toEqual([
    'the free allowance “Trial” of Mill ended on 2027-09-30: € 823.63 in place of € 810.12 with it, +13.51',
    'Mill by its edition 2: € 820.00 in place of € 823.63 by what was before, −3.63',
    'the price book of Mill, 2, ended on 2027-09-30 and no edition follows: € 700.00 without a, b, in place of € 820.00 by it, −120.00',
    'other days and hours than September: +2.86',
  ])
  expect(causeLines('2027-10' as YearMonth, { causes: [], days: undefined }, words)).toEqual([])
})
