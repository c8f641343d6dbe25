import { afterEach, expect, test, vi } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { finish } from '../finish.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { surveyPlan } from '../wholePlan/surveyPlan.ts'
import * as estimating from './estimateMachine.ts'
import { PlanPricing } from './planPricing.ts'

vi.mock('./estimateMachine.ts', { spy: true })
afterEach(() => vi.restoreAllMocks())

test('a machine is priced once, by whoever asks: a check prices a plan no more often than an estimate', () => {
  const machines = ['one', 'two', 'three'].map((name) => ({ ...SMALL_MACHINE, name, week: OFFICE_WEEK.id }))
  const plan = { weeks: [OFFICE_WEEK], machines }
  const inputs = { plan, books: [SMALL_BOOK], month: '2027-03' as YearMonth, reading: 'calendar' as const }
  const pricing = new PlanPricing(inputs)
  for (const machine of machines) expect(pricing.of(machine)).toBe(pricing.of(machine))
  expect(estimating.estimateMachine).toHaveBeenCalledTimes(3)
  finish(surveyPlan({ ...inputs, currency: 'EUR', decimals: 2 }, pricing))
  expect(estimating.estimateMachine).toHaveBeenCalledTimes(3)
})
