import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { planTotals } from '../meter/planTotals.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { add, compare, subtract } from '../quantity/exact.ts'
import { PlanSpending } from './planSpending.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { planAhead, type AheadMonth } from './planAhead.ts'

const FIRST = '2027-03' as YearMonth
const EAST = SMALL_BOOK.prices['east']!
const withYear = (perHour: string): PriceBook => ({
  ...SMALL_BOOK,
  prices: {
    ...SMALL_BOOK.prices,
    east: {
      ...EAST,
      sizes: { ...EAST.sizes, middle: { perHour: '0.2067', terms: { year: { perHour } } } },
    },
  },
})

function ahead(parts: readonly Partial<Machine>[], books: readonly PriceBook[], taxPercent?: string) {
  const machines = parts.map((part, i) => ({ ...SMALL_MACHINE, name: `m${i}`, ...part }))
  const plan = {
    machines,
    weeks: [OFFICE_WEEK],
    currency: 'EUR',
    ...(taxPercent !== undefined && { taxPercent }),
  }
  const inputs = { plan, books, reading: 'calendar' as const }
  return { inputs, months: planAhead(inputs, new PlanSpending(inputs), FIRST, 2) }
}

const causesOf = (months: readonly AheadMonth[]) =>
  months.flatMap(({ month, changes }) =>
    (changes?.causes ?? []).map((cause) => [month as string, cause] as const),
  )

test('each month is the total that the plan shows in it, over the end of the year', () => {
  const { inputs, months } = ahead([{}, { off: 'running' }], [SMALL_BOOK], '23')
  expect(months.map(({ month }) => month)).toEqual([
    '2027-03', '2027-04', '2027-05', '2027-06', '2027-07', '2027-08', '2027-09', '2027-10', '2027-11',
    '2027-12', '2028-01', '2028-02',
  ]) // prettier-ignore
  for (const { month, planned, alwaysOn } of months) {
    const pricing = new PlanPricing({ ...inputs, month })
    const estimates = inputs.plan.machines.map((machine) => {
      const priced = pricing.of(machine)
      if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
      return priced.estimate
    })
    const shown = planTotals(inputs.plan, estimates, month, 2)
    expect([compare(planned, shown.planned), compare(alwaysOn, shown.alwaysOn)]).toEqual([0, 0])
  }
})

test('a commitment is asked for in every month, used or not', () => {
  const { months } = ahead([{ terms: 'year' }, {}], [withYear('0.13')])
  // 744, 720 and 672 hours at 0.13.
  const committed = new Map(months.map(({ month, committed: amount }) => [month, toDecimal(amount, 2)]))
  expect([committed.get(FIRST), committed.get('2027-04' as YearMonth)]).toEqual(['96.72', '93.60'])
  expect(committed.get('2028-02' as YearMonth)).toBe('90.48')
  expect(ahead([{}], [withYear('0.13')]).months.every(({ committed: none }) => none.n === 0n)).toBe(true)
})

test('an edition that begins is named in its month, and a month without one leaves machines out', () => {
  const early = { ...SMALL_BOOK, valid: { from: '2027-01-01', until: '2027-06-30' } }
  const late = { ...withYear('0.1'), edition: '2', valid: { from: '2027-07-01', until: '2027-12-31' } }
  const { months } = ahead([{}], [early, late])
  expect(causesOf(months)).toMatchObject([
    ['2027-07', { kind: 'edition', provider: 'mill', edition: '2' }],
    ['2028-01', { kind: 'book', provider: 'mill', edition: '2', on: '2027-12-31' }],
  ])
  expect(months.filter(({ leftOut }) => leftOut.length > 0)).toMatchObject([
    { month: '2028-01', leftOut: ['m0'] },
    { month: '2028-02', leftOut: ['m0'] },
  ])
})

test('what ends is told in the first whole month without it: the same month with and without, adding up', () => {
  const pool = { id: 'pool', hoursPerMonth: 100, eligible: ['middle'], until: '2027-05-31' }
  const second = { ...pool, id: 'second', hoursPerMonth: 50 }
  const inMid = { ...pool, id: 'trial', until: '2027-08-14' }
  const unused = { ...pool, id: 'other', eligible: ['huge'] }
  const book = {
    ...SMALL_BOOK,
    valid: { from: '2027-01-01', until: '2027-12-31' },
    freeAllowances: [pool, second, inMid, unused],
  }
  const { months } = ahead([{}], [book])
  const told = causesOf(months).map(([month, { kind, without, with: is }]) => [
    month,
    kind,
    toDecimal(subtract(is, without), 2),
  ])
  // June's 22 days of 10 h and 75 s + 30 s have 220.19 h at 0.2067. Of the 250 h free, the first pool's end leaves 150:
  // 70.19 h are paid; the second's 50 h come to 10.335. September's trial of 100 h is the last.
  expect(told.slice(0, 3)).toEqual([
    ['2027-06', 'allowance', '14.51'],
    ['2027-06', 'allowance', '10.33'],
    ['2027-09', 'allowance', '20.67'],
  ])
  expect(told[3]!.slice(0, 2)).toEqual(['2028-01', 'book'])
  for (const [at, { planned, changes }] of months.entries()) {
    if (!changes) continue
    const before = months[at - 1]!.planned
    const parts = changes.causes.map((cause) => subtract(cause.with, cause.without))
    const sum = parts.reduce((all, each) => add(all, each), changes.days!)
    expect(compare(sum, subtract(planned, before))).toBe(0)
    expect(compare(changes.causes.at(-1)!.with, planned)).toBe(0)
  }
  // A book that an edition follows does not end.
  const next = { ...SMALL_BOOK, edition: '2', valid: { from: '2028-01-01' } }
  expect(
    ahead([{}], [book, next])
      .months.at(-2)!
      .changes!.causes.map(({ kind }) => kind),
  ).toEqual(['edition'])
})

test('a commitment ends the day before its first day comes again', () => {
  const { terms } = SMALL_BOOK
  const months = new Map(terms.map((each) => [each.id, each.kind === 'commitment' ? each.months : 0]))
  expect(months.get('year')).toBe(12)
  const machine = { terms: 'year', firstDay: '2026-08-20' }
  expect(
    ahead([machine], [withYear('0.13')]).months.filter(({ commitmentEnds }) => commitmentEnds.length > 0),
  ).toMatchObject([{ month: '2027-09', commitmentEnds: [{ machine: 'm0', on: '2027-08-19' }] }])
})
