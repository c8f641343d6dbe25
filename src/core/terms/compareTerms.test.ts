import { valueOf } from '../testing/valueOf.ts'
import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { hardwareReads } from '../meter/chargeReads.ts'
import { computeCharges } from '../meter/computeCharges.ts'
import { meteredRun } from '../meter/meteredMonth.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { add, compare, divide, exact, ZERO, type Exact } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { compareTerms } from './compareTerms.ts'

const compareFor = (part: Partial<Machine>, book: PriceBook = RULE_BOOK) => {
  const [priced] = pricedTogether([part], book)
  return compareTerms(priced!.resolved, priced!.month, priced!.account.planned)
}
const hours = (seconds: Exact | undefined): string | undefined =>
  seconds && toDecimal(divide(seconds, exact(3_600)), 1)

describe('terms of one machine', () => {
  const { offers, scheduled } = compareFor({})
  const offer = (id: string) => offers.find(({ terms }) => terms.id === id)!

  test('worked example 9: 0.1302 against 0.2067 pays from 468.6 h of 744', () => {
    expect(hours(offer('year').paysFrom)).toBe('468.6')
    const share = divide(offer('year').paysFrom!, exact(744 * 3_600))
    expect(toDecimal(share, 4)).toBe('0.6299')
  })

  test('each begins to pay where its cost meets on demand', () => {
    // (37.2 + 73) ÷ 0.2067 = 533.1 h; 50 ÷ 0.2067 = 241.9 h; spot is cheaper from the first second on
    expect(offers.map(({ terms, paysFrom }) => [terms.id, hours(paysFrom)])).toEqual([
      ['on-demand', '0.0'],
      ['spot', '0.0'],
      ['year', '468.6'],
      ['year-part', '533.1'],
      ['years-all', '241.9'],
    ])
  })

  test('the month under the machine’s own schedule, and what is paid now', () => {
    expect(scheduled / 3_600).toBe(230)
    expect(offers.map(({ total }) => toDecimal(total!, 4))).toEqual([
      '57.4010',
      '25.9600',
      '106.7288',
      '120.0600',
      '59.8600',
    ])
    expect(offers.map(({ upFront }) => upFront?.text)).toEqual([
      undefined,
      undefined,
      undefined,
      '876',
      '1800',
    ])
    expect(offer('spot').interruption).toBe('often')
  })

  test('spot does not hibernate, and says so', () => {
    const spot = compareFor({ off: 'hibernated' }).offers.find(({ terms }) => terms.kind === 'spot')!
    expect(spot.reasons).toMatchObject([{ code: 'no-hibernation', by: 'terms' }])
  })

  test('without terms on demand the first of the book is what the others are compared with', () => {
    const own = { kind: 'own', roomGiB: gib(60) }
    const flat = compareFor({ size: 'flat', terms: 'flat', off: 'deleted', systemDisk: own })
    // 0.0132 an hour reaches 3.72 a month, shared over its hours: 0.005 an hour is less from the start.
    expect(flat.offers.map(({ terms, paysFrom }) => [terms.id, hours(paysFrom)])).toEqual([
      ['flat', '0.0'],
      ['monthly', '0.0'],
    ])
    expect(
      flat.offers[0]!.curve.map(({ seconds, amount }) => [seconds / 3_600, toDecimal(amount, 2)]),
    ).toEqual([
      [0, '0.00'],
      [650, '8.58'],
      [744, '8.58'],
    ])
    // Off is not gone: a machine that is only stopped is charged for all month, however few its hours.
    const stopped = compareFor({ size: 'flat', terms: 'flat', off: 'stopped', systemDisk: own })
    expect(stopped.offers[0]!.curve.map(({ amount }) => toDecimal(amount, 2))).toEqual([
      '8.58',
      '8.58',
      '8.58',
    ])
  })
})

describe('a curve', () => {
  const book: PriceBook = {
    ...RULE_BOOK,
    billing: {
      ...RULE_BOOK.billing,
      longRunRebate: [
        { upToShare: '0.333', rateShare: '1' },
        { upToShare: '1', rateShare: '0.5' },
      ],
    },
    freeAllowances: [{ id: 'pool', hoursPerMonth: 100, eligible: ['free'], until: '2027-03-20' }],
  }

  test.each(['middle', 'free'])('is straight between its points, for %s', (size) => {
    const [priced] = pricedTogether([{ size }], book)
    const { resolved, month, account } = priced!
    const { offers } = compareTerms(resolved, month, account.planned)
    const { curve } = offers[0]!
    const costOf = (seconds: number): Exact => {
      const context = {
        index: resolved.index,
        metered: meteredRun(month, seconds),
        month,
        shared: account.planned,
      }
      const charges = computeCharges(hardwareReads(resolved), context)
      return valueOf(charges).reduce((sum, { amount }) => add(sum, amount), ZERO)
    }
    for (const [i, { seconds, amount }] of curve.slice(1).entries()) {
      const before = curve[i]!
      if ((seconds - before.seconds) % 2 !== 0) continue
      const middle = costOf((before.seconds + seconds) / 2)
      expect(compare(add(middle, middle), add(before.amount, amount))).toBe(0)
    }
    expect(curve.length).toBeGreaterThan(2)
  })
})
