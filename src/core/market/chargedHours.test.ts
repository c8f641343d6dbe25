import { expect, test } from 'vitest'
import { seconds, instant } from '../quantity/units.ts'
import { meteredRun } from '../meter/meteredMonth.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { chargedHours } from './chargedHours.ts'

/** March 2027, 744 hours, with a run of so many hours from its start. */
const MONTH = {
  from: instant(Date.UTC(2027, 2, 1) / 1_000),
  to: instant(Date.UTC(2027, 3, 1) / 1_000),
  reading: 'calendar',
} as const
const run = (hours: number) => meteredRun(MONTH, seconds(hours * 3_600), true)
const ON_DEMAND = { id: 'on-demand', name: 'On demand', kind: 'on-demand' } as const

test('hours by hand: bands of a rebate, a cap, a commitment, free hours', () => {
  const rebate = {
    ...RULE_BOOK,
    billing: {
      ...RULE_BOOK.billing,
      longRunRebate: [
        { upToShare: '0.3', rateShare: '1' },
        { upToShare: '0.6', rateShare: '0.9' },
        { upToShare: '1', rateShare: '0.75' },
      ],
    },
  }
  // 223.2 h in full, 223.2 h at 90 %, 53.6 h at 75 %: 0.10 an hour of them is 46.428.
  expect(chargedHours(run(500), ON_DEMAND, MONTH, rebate)).toBeCloseTo(464.28, 9)
  // Free hours come first, and the bands begin with what is left.
  expect(chargedHours(run(500), ON_DEMAND, MONTH, rebate, 400 * 3_600)).toBeCloseTo(100, 9)
  expect(chargedHours(run(500), ON_DEMAND, MONTH, RULE_BOOK)).toBe(500)
  const flat = { id: 'flat', name: 'Flat', kind: 'flat', capHours: 650 } as const
  expect(chargedHours(run(230), flat, MONTH, RULE_BOOK)).toBe(650)
  const year = { id: 'year', name: 'Year', kind: 'commitment', months: 12, upFront: 'none' } as const
  expect(chargedHours(run(230), year, MONTH, RULE_BOOK)).toBe(744)
  const spot = { id: 'spot', name: 'Spot', kind: 'spot', interruption: 'often' } as const
  expect(chargedHours(run(230), spot, MONTH, rebate)).toBe(230)
})
