import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { keepSameSummaries, summarisePlan } from './summarisePlan.ts'

const inputs = {
  books: [SMALL_BOOK],
  month: '2027-03' as YearMonth,
  reading: 'calendar',
} as const

const bays = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ ...SMALL_MACHINE, name: `bay-${i}`, week: OFFICE_WEEK.id }))

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

test('what says the same as before is the very same as before, and nothing else is', () => {
  const machines = [...bays(5), { ...SMALL_MACHINE, name: 'elsewhere', provider: 'nobody' }]
  const of = (all: typeof machines) =>
    summarisePlan({ plan: { weeks: [OFFICE_WEEK], machines: all }, ...inputs })
  const before = of(machines)
  const kept = (all: typeof machines): boolean[] => {
    const now = of(all)
    const settled = keepSameSummaries(before, now)
    expect(settled).toEqual(now)
    return settled.map((each, i) => each === before[i])
  }
  expect(kept(machines)).toEqual([true, true, true, true, true, true])
  expect(kept(machines.with(1, { ...machines[1]!, off: 'stopped' }))).toEqual([
    true,
    false,
    true,
    true,
    true,
    true,
  ])
  expect(kept(machines.with(5, { ...machines[5]!, provider: 'nowhere' })).at(-1)).toBe(false)
  expect(kept(machines.with(0, { ...machines[0]!, name: 'renamed' }))[0]).toBe(false)
  expect(kept(machines.slice(1)).some(Boolean)).toBe(false)
})
