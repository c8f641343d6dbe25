import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { editionEffect } from './editionEffect.ts'
import { summariseEditions } from './summariseEditions.ts'

const east = RULE_BOOK.prices.east!

const withSizes = (sizes: typeof east.sizes): PriceBook => ({
  ...RULE_BOOK,
  edition: 'next',
  valid: { from: '2027-04-01' },
  prices: { ...RULE_BOOK.prices, east: { ...east, sizes } },
})

test('changes are counted by size, place, kind and terms, and by how large they are', () => {
  const { rare, middle, ...others } = east.sizes
  const after = withSizes({
    ...others,
    small: { perHour: '0.11374' },
    middle: { ...middle!, perHour: '0.10335', terms: { ...middle!.terms, spot: { perHour: '0.0707' } } },
    newest: { perHour: '0.3' },
  })
  const summary = summariseEditions(RULE_BOOK, after)
  expect(summary).toMatchObject({ dearer: 2, cheaper: 1, added: 1, gone: 1 })
  expect(summary.bins.filter(({ prices }) => prices > 0)).toEqual([
    { from: -0.5, to: -0.3, prices: 1 },
    { from: 0, to: 0.05, prices: 1 },
    { from: 0.05, to: 0.1, prices: 1 },
  ])
  expect(summary.groups.size).toEqual([
    { name: 'middle', dearer: 1, cheaper: 1, added: 0, gone: 0 },
    { name: 'newest', dearer: 0, cheaper: 0, added: 1, gone: 0 },
    { name: 'rare', dearer: 0, cheaper: 0, added: 0, gone: 1 },
    { name: 'small', dearer: 1, cheaper: 0, added: 0, gone: 0 },
  ])
  expect(summary.groups.terms).toEqual([
    { name: 'On demand', dearer: 1, cheaper: 1, added: 1, gone: 1 },
    { name: 'Spot', dearer: 1, cheaper: 0, added: 0, gone: 0 },
  ])
  expect(summary.groups.place).toEqual([{ name: 'East', dearer: 2, cheaper: 1, added: 1, gone: 1 }])
  expect(summary.groups.kind).toEqual([{ name: 'size', dearer: 2, cheaper: 1, added: 1, gone: 1 }])
})

test('counts of a random edition are those of a plain walk over its prices', () => {
  const factor = fc.constantFrom('0.1', '0.2', '0.3', '')
  const ids = Object.keys(east.sizes)
  fc.assert(
    fc.property(fc.array(factor, { minLength: ids.length, maxLength: ids.length }), (prices) => {
      const sizes = Object.fromEntries(
        ids.flatMap((id, i) => (prices[i] === '' ? [] : [[id, { perHour: prices[i]! }]])),
      )
      const before = withSizes(Object.fromEntries(ids.map((id) => [id, { perHour: '0.2' }])))
      const { dearer, cheaper, added, gone, bins } = summariseEditions(before, withSizes(sizes))
      const count = (text: string): number => prices.filter((price) => price === text).length
      expect([dearer, cheaper, added, gone]).toEqual([count('0.3'), count('0.1'), 0, count('')])
      expect(bins.reduce((sum, bin) => sum + bin.prices, 0)).toBe(dearer + cheaper)
    }),
  )
})

test('the effect on a plan is each machine priced under both, the largest change first', () => {
  const machines: Machine[] = [
    { ...SMALL_MACHINE, name: 'one', size: 'small' },
    { ...SMALL_MACHINE, name: 'two', size: 'middle' },
    { ...SMALL_MACHINE, name: 'three', size: 'rare', zone: 'b' },
  ]
  const plan: Plan = { name: 'p', month: '2027-03' as YearMonth, weeks: [OFFICE_WEEK], machines }
  const { rare, ...others } = east.sizes
  const after = withSizes({
    ...others,
    small: { perHour: '0.2034' },
    middle: { ...others.middle!, perHour: '0.3067' },
  })
  const inputs = { plan, before: RULE_BOOK, after, month: plan.month, reading: 'calendar' as const }
  const effects = editionEffect(inputs)
  expect(effects.map(({ machine }) => machine)).toEqual(['one', 'two', 'three'])
  // 230 h × 0.1 more for each, and the third is not sold any more.
  const [one, two, three] = effects
  expect(toDecimal(one!.before!, 3)).toBe('33.642')
  expect(toDecimal(one!.after!, 3)).toBe('56.642')
  expect(three!.after).toBeUndefined()
  const alone = new PlanPricing({
    plan,
    books: [{ ...after, valid: { from: '2027-01-01' } }],
    month: plan.month,
    reading: 'calendar',
  }).of(machines[1]!)
  expect(two!.after).toEqual(alone.ok && alone.estimate.total)
})
