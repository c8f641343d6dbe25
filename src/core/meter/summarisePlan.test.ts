import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { summarisePlan } from './summarisePlan.ts'

test('what comes of a plan crosses from a worker to the page unchanged, exact amounts and all', () => {
  const machines = [
    { ...SMALL_MACHINE, week: OFFICE_WEEK.id },
    { ...SMALL_MACHINE, name: 'elsewhere', provider: 'nobody' },
  ]
  const summaries = summarisePlan({
    plan: { weeks: [OFFICE_WEEK], machines },
    books: [SMALL_BOOK],
    month: '2027-03' as YearMonth,
    reading: 'calendar',
  })
  expect(structuredClone(summaries)).toEqual(summaries)
  expect(summaries).toMatchObject([{ priced: true }, { priced: false, issues: [{ code: 'no-book' }] }])
})
