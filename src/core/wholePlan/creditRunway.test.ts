import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { formatDate } from '../calendar/civil.ts'
import { localDays } from '../calendar/localDays.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { dailyCosts } from '../meter/dailyCosts.ts'
import { chargesWithin } from '../meter/chargesWithin.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { parseDecimal, toDecimal } from '../quantity/decimal.ts'
import { add, compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { instant, type Span } from '../quantity/units.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { weekOf, windowsOn, EVERY_DAY } from '../testing/weeks.ts'
import { creditRunway, creditSpan, type CreditRunway } from './creditRunway.ts'
import { PlanSpending, type SpendingInputs } from './planSpending.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const credit = (amount: string, from: string, expires: string, timeZone = 'Etc/UTC') => ({
  amount,
  from,
  expires,
  timeZone,
})
const when = (at: number): string => new Date(at * 1000).toISOString().slice(0, 16)
const run = (inputs: Omit<SpendingInputs, 'reading'>, ...args: Parameters<typeof credit>): CreditRunway =>
  creditRunway(new PlanSpending({ ...inputs, reading: 'calendar' }), credit(...args))

/** A machine that is charged one unit an hour and nothing else. */
const PLAIN_BOOK = {
  ...SMALL_BOOK,
  prices: Object.fromEntries(
    Object.entries(SMALL_BOOK.prices).map(([id, prices]) => [
      id,
      {
        ...prices,
        sizes: Object.fromEntries(Object.keys(prices.sizes).map((size) => [size, { perHour: '1' }])),
        disks: { steps: { perMonthByStep: { 128: '0' } } },
      },
    ]),
  ),
}
const ALWAYS = { ...weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-24:00')), id: 'always' }
const PLAIN: Machine = { ...SMALL_MACHINE, week: 'always', address: 'none', dataDisks: [] }
const plain = { plan: { machines: [PLAIN], weeks: [ALWAYS] }, books: [PLAIN_BOOK] }

describe('one unit an hour', () => {
  test('100 units are used up after 100 hours, to the hour, in the zone of the credit', () => {
    expect(run(plain, '100', '2027-03-01', '2027-09-30').end).toEqual({
      kind: 'used-up',
      at: Date.UTC(2027, 2, 5, 4) / 1000,
    })
    const pune = run(plain, '100', '2027-03-01', '2027-09-30', 'Asia/Kolkata').end
    expect(when(pune.at)).toBe('2027-03-04T22:30')
  })

  test('months are as long as they are: 744 + 720 + 744 hours, and April is entered with what March left', () => {
    const { months, end } = run(plain, '2000', '2027-03-01', '2027-05-31')
    expect(months.map(({ month, spent, left }) => [month, toDecimal(spent, 2), toDecimal(left, 2)])).toEqual([
      ['2027-03', '744.00', '1256.00'],
      ['2027-04', '720.00', '536.00'],
      ['2027-05', '536.00', '0.00'],
    ])
    expect(when(end.at)).toBe('2027-05-23T08:00')
  })

  test('a month with a clock change in the zone of the credit is an hour shorter', () => {
    const { months } = run(plain, '5000', '2027-03-01', '2027-03-31', 'Europe/Lisbon')
    expect(months.map(({ spent }) => toDecimal(spent, 2))).toEqual(['743.00'])
  })

  test('what is left when its last date is over is lost', () => {
    const { end } = run(plain, '1000', '2027-03-10', '2027-03-20')
    expect(when(end.at)).toBe('2027-03-21T00:00')
    expect(end.kind === 'expires' && toDecimal(end.left, 2)).toBe('736.00')
  })

  test('used up in its very last second is not too early', () => {
    const { end } = run(plain, '744', '2027-03-01', '2027-03-31')
    expect(end.kind).toBe('expires')
    expect(run(plain, '743.999', '2027-03-01', '2027-03-31').end.kind).toBe('used-up')
  })

  test('a credit of nothing is used up at once', () => {
    expect(run(plain, '0', '2027-03-01', '2027-03-31').end).toEqual({
      kind: 'used-up',
      at: Date.UTC(2027, 2, 1) / 1000,
    })
  })

  test('machines without a price in one of its months are left out, and named', () => {
    const closed = { ...PLAIN_BOOK, valid: { from: '2027-01-01', until: '2027-04-30' } }
    expect(run({ ...plain, books: [closed] }, '9000', '2027-03-01', '2027-05-31').leftOut).toEqual([
      PLAIN.name,
    ])
    expect(run(plain, '9000', '2027-03-01', '2027-05-31').leftOut).toEqual([])
  })
})

describe('commitments that are paid up front', () => {
  const book = DEMO_BOOKS.find(({ provider }) => provider.id === 'fennmark')!
  const machines = [
    { ...SMALL_MACHINE, provider: 'fennmark', region: 'porto', zone: 'a', size: 'heron-2-4' },
  ].map((machine) => ({
    ...machine,
    image: book.images[0]!.id,
    terms: 'one-year-part',
    systemDisk: {
      kind: book.diskKinds.find(({ boots, room }) => boots && room.by === 'step')!.id,
      roomGiB: 64,
    },
    dataDisks: [],
    address: 'none',
    week: OFFICE_WEEK.id,
  })) as unknown as Machine[]
  const inputs = {
    plan: { machines, weeks: [OFFICE_WEEK] },
    books: [{ ...book, valid: { from: '2026-01-01' } }],
  }

  test('are paid whole on the first day, and again a year later on the same day', () => {
    const { payments } = run(inputs, '9000', '2027-03-15', '2028-12-31')
    expect(payments.map(({ at }) => when(at))).toEqual(['2027-03-15T00:00', '2028-03-15T00:00'])
    const price = book.prices.porto!.sizes['heron-2-4']!.terms!['one-year-part']!
    expect(payments.map(({ amount }) => toDecimal(amount, 6))).toEqual(
      Array(2).fill(toDecimal(parseDecimal(price.upFront!)!, 6)),
    )
  })

  const quarterly = (upFront: string, valid = '2026-01-01') => ({
    ...RULE_BOOK,
    valid: { from: valid },
    terms: [
      { id: 'quarter', name: 'A quarter', kind: 'commitment' as const, months: 3, upFront: 'part' as const },
    ],
    prices: {
      east: {
        ...RULE_BOOK.prices.east!,
        sizes: { middle: { terms: { quarter: { upFront, perHour: '0' } } } },
      },
    },
  })
  const bound = (upFront: string, part: Partial<Machine>, valid?: string) => ({
    plan: {
      machines: [{ ...PLAIN, terms: 'quarter', week: OFFICE_WEEK.id, ...part }],
      weeks: [OFFICE_WEEK],
    },
    books: [quarterly(upFront, valid)],
  })
  const paymentsOf = (...args: Parameters<typeof run>): string[] =>
    run(...args).payments.map(({ at, amount }) => `${when(at)} ${toDecimal(amount, 2)}`)

  test('begin with a first day that comes after the credit, whole, and again by its day', () => {
    const inputs = bound('3000', { firstDay: '2027-03-16' })
    expect(paymentsOf(inputs, '90000', '2027-03-01', '2027-12-31')).toEqual([
      '2027-03-16T00:00 3000.00',
      '2027-06-15T23:00 3000.00',
      '2027-09-15T23:00 3000.00',
      '2027-12-16T00:00 3000.00',
    ])
    const may = bound('30', { firstDay: '2027-05-01' })
    // Midnights in Lisbon, an hour before UTC's in summer.
    expect(paymentsOf(may, '90000', '2027-02-10', '2027-12-31')).toEqual([
      '2027-04-30T23:00 30.00',
      '2027-07-31T23:00 30.00',
      '2027-11-01T00:00 30.00',
    ])
  })

  test('begin with the credit where the first day comes before it', () => {
    const inputs = bound('30', { firstDay: '2027-01-05' })
    expect(paymentsOf(inputs, '90000', '2027-02-10', '2027-06-30')).toEqual([
      '2027-02-10T00:00 30.00',
      '2027-05-10T00:00 30.00',
    ])
  })

  test('begin when there is a book that sells them', () => {
    const inputs = bound('30', {}, '2027-04-01')
    expect(paymentsOf(inputs, '90000', '2027-02-10', '2027-08-31')).toEqual([
      '2027-04-01T00:00 30.00',
      '2027-07-01T00:00 30.00',
    ])
  })

  test('a credit that cannot pay one is used up then', () => {
    expect(run(inputs, '1', '2027-03-15', '2027-12-31').end).toMatchObject({
      kind: 'used-up',
      at: Date.UTC(2027, 2, 15) / 1000,
    })
  })
})

describe('a walk day by day', () => {
  const book = DEMO_BOOKS[1]!
  const anyPlan = fc.record({
    machines: fc.array(anyMachineOf(book, ['a', 'b']), { minLength: 1, maxLength: 4 }),
    weeks: fc.tuple(anyWeek('a'), anyWeek('b')),
    amount: fc.integer({ min: 0, max: 1_500 }),
    startDay: fc.integer({ min: 1, max: 28 }),
    zone: fc.constantFrom('Etc/UTC', 'Europe/Lisbon', 'Asia/Kolkata', 'America/Halifax'),
  })

  test('ends on the same day, with the same amount left before the second as the day had', () => {
    fc.assert(
      fc.property(anyPlan, ({ machines: some, weeks, amount, startDay, zone }) => {
        const machines = some.map((machine, i) => ({ ...machine, name: `m${i}` }))
        const inputs = { plan: { machines, weeks }, books: [book] }
        const from = `2027-03-${String(startDay).padStart(2, '0')}`
        const asked = credit(String(amount), from, '2027-05-31', zone)
        const { end, payments, leftOut } = creditRunway(
          new PlanSpending({ ...inputs, reading: 'calendar' }),
          asked,
        )
        fc.pre(leftOut.length === 0)
        // Books with commitments are walked in the example above.
        expect(payments).toEqual([])
        const walked = walk(inputs, creditSpan(asked), parseDecimal(asked.amount)!, zone)
        if (end.kind === 'expires') {
          expect(walked.day).toBeUndefined()
          expect(compare(walked.left, end.left)).toBe(0)
          return
        }
        expect(walked.day).toBe(
          formatDate(localDays({ from: end.at, to: instant(end.at + 1) }, zone)[0]!.day),
        )
        const spent = (to: number): Exact => walked.spentUntil(instant(to))
        expect(compare(spent(end.at), walked.left)).toBeGreaterThanOrEqual(0)
        if (end.at > walked.from) expect(compare(spent(end.at - 1), walked.left)).toBeLessThan(0)
      }),
      randomRuns(15),
    )
  }, 60_000)
})

/** Subtracts the cost of each local day, by each machine's own month; stops on the day that the rest does not pay. */
function walk(
  { plan, books }: Pick<SpendingInputs, 'plan' | 'books'>,
  span: Span,
  amount: Exact,
  zone: string,
) {
  const months = ['2027-02', '2027-03', '2027-04', '2027-05', '2027-06'] as YearMonth[]
  const estimates = months.flatMap((month) => {
    const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
    return plan.machines.map((machine) => {
      const result = pricing.of(machine)
      if (!result.ok) throw new Error('left out, but not named')
      return result.estimate
    })
  })
  const within = (part: Span): Exact =>
    estimates
      .flatMap((estimate) => chargesWithin(estimate, part))
      .reduce((sum, { amount: each }) => add(sum, each), ZERO)
  const byDay = new Map<number, Exact>()
  for (const estimate of estimates) {
    for (const { day, machineTime, floor } of dailyCosts(estimate, zone)) {
      byDay.set(day, add(byDay.get(day) ?? ZERO, add(machineTime, floor)))
    }
  }
  let left = amount
  for (const { day, span: ofDay } of localDays(span, zone)) {
    const cost = byDay.get(day)!
    const isLast = ofDay.to === span.to
    const order = compare(cost, left)
    if (order > 0 || (order === 0 && !isLast)) {
      const spentUntil = (at: number): Exact => within({ from: ofDay.from, to: instant(at) })
      return { day: formatDate(day), left, from: ofDay.from, spentUntil }
    }
    left = subtract(left, cost)
  }
  return { day: undefined, left, from: span.to, spentUntil: () => ZERO }
}

test('a month before 2000 is not asked for', () => {
  expect(addMonths('2000-01' as YearMonth, -1)).toBeUndefined()
  expect(run(plain, '100', '2000-01-01', '2000-01-02').months).toHaveLength(1)
})
