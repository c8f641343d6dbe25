import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { roundTo } from '../quantity/decimal.ts'
import { add, compare, ZERO } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { twelveMonths } from './twelveMonths.ts'

const { resolved, plan } = plateInputs({ off: 'hibernated' }, [SMALL_BOOK, ...DEMO_BOOKS])
const ask = (book: typeof SMALL_BOOK) =>
  twelveMonths(resolved.machine, {
    plan: { ...plan, machines: [resolved.machine] },
    books: [book],
    month: '2027-03' as YearMonth,
    reading: 'calendar',
  })

test('twelve months add up, each as long as it is', () => {
  const { months, total, onTime, unpriced } = ask(SMALL_BOOK)
  expect(months.map(({ month }) => month)).toEqual([
    '2027-03', '2027-04', '2027-05', '2027-06', '2027-07', '2027-08', '2027-09', '2027-10', '2027-11', '2027-12',
    '2028-01', '2028-02',
  ]) // prettier-ignore
  const estimates = months.flatMap(({ result }) => (result.ok ? [result.estimate] : []))
  expect(
    compare(
      total!.amount,
      estimates.reduce((sum, each) => add(sum, roundTo(each.total, 2)), ZERO),
    ),
  ).toBe(0)
  // Lisbon has 261 workdays in these months, ten hours each.
  expect(onTime / 3_600).toBeCloseTo(2_610, -2)
  expect(unpriced).toBe(0)
})

test('months in which no edition is valid have no price, and are counted', () => {
  const { total, unpriced, months } = ask({
    ...SMALL_BOOK,
    valid: { from: '2027-03-01', until: '2027-05-31' },
  })
  expect(months.map(({ result }) => result.ok)).toEqual([
    true,
    true,
    true,
    ...Array.from({ length: 9 }, () => false),
  ])
  expect(unpriced).toBe(9)
  expect(total).toBeDefined()
})
