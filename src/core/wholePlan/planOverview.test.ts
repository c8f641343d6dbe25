import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Credit } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { planTotals } from '../meter/planTotals.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { add, ZERO } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { planOverview, type OverviewInputs, type OverviewPart } from './planOverview.ts'

const MARCH = '2027-03' as YearMonth
const CREDIT = { amount: '250', from: '2027-03-01', expires: '2027-05-31', timeZone: 'Etc/UTC' }
const PLAN = {
  machines: [
    { ...SMALL_MACHINE, off: 'stopped' as const },
    { ...SMALL_MACHINE, name: 'bench-two' },
  ],
  weeks: [OFFICE_WEEK],
}
const inputs = (part: Partial<OverviewInputs['plan']> = {}, books = [SMALL_BOOK]): OverviewInputs => ({
  plan: { ...PLAN, ...part },
  books,
  month: MARCH,
  reading: 'calendar',
  decimals: 2,
})
const partsOf = (asked: OverviewInputs): OverviewPart[] => [...planOverview(asked)]
const find = <K extends OverviewPart['kind']>(parts: readonly OverviewPart[], kind: K) =>
  parts.find((part) => part.kind === kind) as Extract<OverviewPart, { kind: K }> | undefined

describe('the overview of a plan', () => {
  test('comes part by part, the quickest first', () => {
    const kinds = partsOf(inputs({ credit: CREDIT })).map(({ kind }) => kind)
    expect([...new Set(kinds)]).toEqual(['month', 'limits', 'ahead', 'credit', 'progress', 'survey', 'curve'])
  })

  test('has no credit without one, and looks for nothing where it lasts', () => {
    expect(find(partsOf(inputs()), 'credit')).toBeUndefined()
    const rich = partsOf(inputs({ credit: { ...CREDIT, amount: '9000' } }))
    expect(find(rich, 'credit')!.planned.end.kind).toBe('expires')
    expect(find(rich, 'curve')).toBeUndefined()
  })

  test('a credit that belongs to one provider pays for machines there alone', () => {
    const creditOf = (part: Partial<Credit>) =>
      find(partsOf(inputs({ credit: { ...CREDIT, ...part } })), 'credit')!
    const all = creditOf({})
    expect(all.planned.end.kind).toBe('used-up')
    expect(creditOf({ provider: 'mill' })).toEqual(all)
    const elsewhere = creditOf({ provider: 'fennmark' })
    expect(elsewhere.planned.end).toMatchObject({ kind: 'expires', left: all.planned.points[0]!.left })
    expect(elsewhere.alwaysOn.months.every(({ spent }) => spent.n === 0n)).toBe(true)
  })

  test('has the totals of the plan, and rows that add up to them', () => {
    const parts = partsOf(inputs({ budget: '100' }))
    const { rows, totals } = find(parts, 'month')!
    const { budget, quotas } = find(parts, 'limits')!
    const sum = rows.reduce((all, row) => (row.priced && row.shown ? add(all, row.shown.total) : all), ZERO)
    expect(toDecimal(sum, 2)).toBe(toDecimal(totals.planned, 2))
    expect(toDecimal(totals.planned, 2)).toBe('221.08')
    expect(toDecimal(budget!.left, 2)).toBe('-121.08')
    expect(quotas).toEqual([])
  })

  test('says of a machine without a price why', () => {
    const machines = [{ ...SMALL_MACHINE, size: 'gone' }]
    const { rows, totals } = find(partsOf(inputs({ machines })), 'month')!
    expect(rows).toMatchObject([{ priced: false, issues: [{ code: 'unknown-name', found: 'gone' }] }])
    expect(toDecimal(totals.planned, 2)).toBe('0.00')
  })

  test('a plan without machines has nothing, and ends', () => {
    const parts = partsOf(inputs({ machines: [], credit: CREDIT, budget: '1' }))
    expect(find(parts, 'credit')!.planned.end).toMatchObject({ kind: 'expires' })
    expect(find(parts, 'survey')!.survey).toEqual({
      notches: { first: [], count: 0 },
      findings: { first: [], count: 0 },
    })
  })
})

describe('the months ahead', () => {
  test('are each the plan’s own total of that month', () => {
    const { months } = find(partsOf(inputs()), 'ahead')!
    expect(months.map(({ month }) => month).slice(0, 2)).toEqual(['2027-03', '2027-04'])
    for (const { month, planned } of months) {
      const pricing = new PlanPricing({ ...inputs(), month })
      const estimates = PLAN.machines.flatMap((machine) => {
        const result = pricing.of(machine)
        return result.ok ? [result.estimate] : []
      })
      expect(toDecimal(planned, 2)).toBe(toDecimal(planTotals({}, estimates, month, 2).planned, 2))
    }
  })

  test('name the editions that begin, and machines that no edition prices', () => {
    const early = { ...SMALL_BOOK, valid: { from: '2027-01-01', until: '2027-04-30' } }
    const late = { ...SMALL_BOOK, edition: '2', valid: { from: '2027-06-01', until: '2027-12-31' } }
    const { months } = find(partsOf(inputs({}, [early, late])), 'ahead')!
    const [march, , may, june] = months
    expect([march!.leftOut, march!.changes]).toEqual([[], undefined])
    expect(may!.leftOut).toEqual(['bench-one', 'bench-two'])
    expect(june!.changes!.causes).toMatchObject([{ kind: 'edition', provider: 'mill', edition: '2' }])
    expect(months.at(-1)!.leftOut).toHaveLength(2)
  })

  test('hold what commitments ask for, used or not', () => {
    const book = DEMO_BOOKS.find(({ provider }) => provider.id === 'fennmark')!
    const committed = {
      ...SMALL_MACHINE,
      provider: 'fennmark',
      region: 'porto',
      size: 'heron-2-4',
      image: book.images[0]!.id,
      terms: 'one-year',
      systemDisk: { kind: book.diskKinds.find(({ boots, room }) => boots && room.by === 'step')!.id, roomGiB: SMALL_MACHINE.systemDisk.roomGiB }, // prettier-ignore
    }
    const asked = inputs({ machines: [committed] }, [{ ...book, valid: { from: '2027-01-01' } }])
    const { months } = find(partsOf(asked), 'ahead')!
    // 744 h at 0.0515, though it is on for 230 of them.
    expect(toDecimal(months[0]!.committed, 2)).toBe('38.32')
  })
})
