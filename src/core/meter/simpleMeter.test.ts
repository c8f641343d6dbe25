import fc from 'fast-check'
import Fraction from 'fraction.js'
import { expect, test } from 'vitest'
import { billingMonth, type MonthReading } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { anyPlanOf } from '../testing/anyPlan.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import type { Exact } from '../quantity/exact.ts'
import { simpleSplit } from '../testing/simpleSplit.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { PlanPricing } from './planPricing.ts'
import { MONTH_PARTS } from './monthPart.ts'
import { splitMonth } from './splitMonth.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const text = ({ n, d }: Exact): string => new Fraction(n, d).toFraction()

interface Walked {
  readonly book: PriceBook
  readonly weeks: readonly WeekPlan[]
  readonly machines: readonly Machine[]
  readonly month: YearMonth
  readonly reading: MonthReading
}

function expectWalked({ book, weeks, machines, month, reading }: Walked): void {
  const dated = { ...book, valid: { from: '2027-01-01' } }
  const pricing = new PlanPricing({ plan: { machines, weeks }, books: [dated], month, reading })
  const span = billingMonth(month, book.billingZone, reading)
  const simple = simpleSplit({ machines, weeks, book, month: span, reading })
  for (const machine of machines) {
    const result = pricing.of(machine)
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    const { kept, asked, leak } = simple.get(machine.name)!
    const total = kept.add(asked).add(leak)
    expect(text(result.estimate.total)).toBe(total.toFraction())
    const split = splitMonth(result)
    expect(MONTH_PARTS.map((part) => text(split[part]))).toEqual(
      [kept, asked, leak].map((amount) => amount.toFraction()),
    )
  }
}

test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
  'plans of %s cost what a plain walk through the month costs, for what it is paid',
  (_, pattern) => {
    fc.assert(fc.property(anyPlanOf(pattern), expectWalked), randomRuns(pattern.freeAllowances ? 6 : 3))
  },
)

test.each<[string, Pick<Machine, 'off' | 'longGaps'>, string[]]>([
  [
    'long gaps, off in short ones',
    { off: 'deallocated', longGaps: [{ fromMinutes: 90, off: 'running' }] },
    ['08:07-12:10', '13:23-17:20'],
  ],
  [
    'nights, off over the weekend',
    { off: 'running', longGaps: [{ fromMinutes: 2_280, off: 'deallocated' }] },
    ['08:07-17:50'],
  ],
  [
    'nights, off in breaks and weekends',
    {
      off: 'deallocated',
      longGaps: [
        { fromMinutes: 600, off: 'running' },
        { fromMinutes: 2_280, off: 'hibernated' },
      ],
    },
    ['08:07-12:10', '13:23-17:20'],
  ],
])('a run that goes through %s is charged by when it truly began', (_, plan, ranges) => {
  const pattern = DEMO_BOOKS.find(({ provider }) => provider.id === 'tidewright')!
  // Begun hours: a month that begins within a run asks for more than the week that meets it.
  const book = { ...pattern, billing: { ...pattern.billing, minimumSeconds: 0, incrementSeconds: 3_600 } }
  const [region] = book.regions
  const machine: Machine = {
    ...SMALL_MACHINE,
    name: 'through',
    provider: book.provider.id,
    region: region!.id,
    zone: region!.zones[0]!,
    size: 'eddy-4-16',
    image: book.images[0]!.id,
    systemDisk: { kind: 'foam', roomGiB: gib(40) },
    week: 'one',
    ...plan,
  }
  const days = ranges.length > 1 && plan.longGaps!.length === 1 ? WORKDAYS.slice(3) : WORKDAYS
  const weeks = [{ ...weekOf('Europe/Lisbon', windowsOn(days, ...ranges)), id: 'one' }]
  for (const month of ['2027-03', '2027-04', '2027-07'] as YearMonth[]) {
    expectWalked({ book, weeks, machines: [machine], month, reading: 'calendar' })
  }
})
