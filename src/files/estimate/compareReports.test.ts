import { PlanPricing } from '../../core/meter/planPricing.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Machine, Plan } from '../../core/machine/plan.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { add, compare, subtract, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { gib } from '../../core/quantity/units.ts'
import { anyMachineOf, anyWeek } from '../../core/testing/anyMachines.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { OFFICE_WEEK } from '../../core/testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../../core/testing/smallBook.ts'
import { compareReports } from './compareReports.ts'
import { estimateReport, pricePlan, type EstimateReport } from './estimateReport.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

const MARCH = '2027-03' as YearMonth
const report = (
  machines: readonly Machine[],
  books = [SMALL_BOOK],
  part: Partial<Plan> = {},
): EstimateReport => reportOf({ name: 'p', month: MARCH, weeks: [OFFICE_WEEK], machines, ...part }, books)
const reportOf = (plan: Plan, books: readonly PriceBook[]): EstimateReport =>
  estimateReport(
    plan,
    pricePlan(plan, new PlanPricing({ plan, books, month: MARCH, reading: 'calendar' })),
    MARCH,
    'calendar',
  )
const named = (name: string, part: Partial<Machine> = {}): Machine => ({ ...SMALL_MACHINE, name, ...part })

describe('two estimates', () => {
  test('that are the same have nothing to say', () => {
    const same = report([named('a'), named('b')])
    expect(compareReports(same, same)).toEqual({
      machines: [],
      same: 2,
      total: {
        currency: 'EUR',
        before: same.total.planned,
        after: same.total.planned,
        difference: '0',
        shown: { before: '114.88', after: '114.88', difference: '0' },
      },
    })
  })

  test('name what is new, what is gone, and the lines that are not the same', () => {
    const before = report([named('kept'), named('gone'), named('grown')])
    const after = report([
      named('kept'),
      named('grown', { systemDisk: { kind: 'steps', roomGiB: gib(256) } }),
      named('new', { size: 'small' }),
    ])
    const { machines, same } = compareReports(before, after)
    expect(same).toBe(1)
    expect(machines.map(({ name }) => name)).toEqual(['gone', 'grown', 'new'])
    const [gone, grown, fresh] = machines
    expect([gone!.after, fresh!.before]).toEqual([undefined, undefined])
    expect(grown!.lines).toEqual([{ what: 'disk 0', before: '9.86', after: '19.12', difference: '9.26' }])
    expect(grown!.difference).toBe('9.26')
  })

  test('in two currencies are not subtracted', () => {
    const dollars = { ...SMALL_BOOK, currency: 'USD' }
    const { machines, total } = compareReports(report([named('a')]), report([named('a')], [dollars]))
    expect(machines[0]!.difference).toBeUndefined()
    expect(total.difference).toBeUndefined()
  })

  test('have lines whose differences add up to each machine’s, on random plans', () => {
    const book = DEMO_BOOKS[0]!
    const anyPair = fc.record({
      before: anyMachineOf(book, ['a', 'b']),
      after: anyMachineOf(book, ['a', 'b']),
      weeks: fc.tuple(anyWeek('a'), anyWeek('b')),
    })
    fc.assert(
      fc.property(anyPair, ({ before, after, weeks }) => {
        const [was, is] = [before, after].map((machine) => {
          try {
            return report([machine], [book], { weeks })
          } catch {
            return undefined
          }
        })
        fc.pre(was !== undefined && is !== undefined)
        for (const { lines, difference } of compareReports(was!, is!).machines) {
          const sum = lines.reduce<Exact>((all, line) => add(all, parseDecimal(line.difference!)!), ZERO)
          // Lines are cut to 12 places so that each side adds up; so does their difference.
          expect(compare(sum, parseDecimal(difference!)!)).toBe(0)
        }
        const [from, to] = [was!, is!].map(({ total }) => parseDecimal(total.planned)!)
        const { total } = compareReports(was!, is!)
        expect(compare(parseDecimal(total.difference!)!, subtract(to!, from!))).toBe(0)
      }),
      randomRuns(40),
    )
  })
})
