import fc from 'fast-check'
import { afterEach, expect, test, vi } from 'vitest'
import { MONTH_READINGS } from '../calendar/billingMonth.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { anyCrowdAt } from '../testing/anyCrowd.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { finish } from '../finish.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { surveyPlan } from '../wholePlan/surveyPlan.ts'
import * as estimating from './estimateMachine.ts'
import { PlanPricing } from './planPricing.ts'
import { randomRuns } from '../testing/randomRuns.ts'

vi.mock('./estimateMachine.ts', { spy: true })
afterEach(() => vi.restoreAllMocks())

test('a machine is priced once, by whoever asks: a check prices a plan no more often than an estimate', () => {
  const machines = POWER_STATES.slice(0, 3).map((off) => ({
    ...SMALL_MACHINE,
    name: off,
    off,
    week: OFFICE_WEEK.id,
  }))
  const plan = { weeks: [OFFICE_WEEK], machines }
  const inputs = { plan, books: [SMALL_BOOK], month: '2027-03' as YearMonth, reading: 'calendar' as const }
  const pricing = new PlanPricing(inputs)
  for (const machine of machines) expect(pricing.of(machine)).toBe(pricing.of(machine))
  expect(estimating.estimateMachine).toHaveBeenCalledTimes(3)
  finish(surveyPlan({ ...inputs, currency: 'EUR', decimals: 2 }, pricing))
  expect(estimating.estimateMachine).toHaveBeenCalledTimes(3)
})

test('machines that are the same have one estimate, which is what each is estimated to be by itself', () => {
  let shared = 0
  fc.assert(
    fc.property(
      anyCrowdAt(DEMO_BOOKS),
      fc.constantFrom(...MONTH_READINGS),
      ({ weeks, machines }, reading) => {
        const plan = { weeks, machines }
        const pricing = new PlanPricing({ plan, books: DEMO_BOOKS, month: '2027-03' as YearMonth, reading })
        const found = machines.map((machine) => pricing.of(machine))
        shared += found.length - new Set(found.map((each) => each.ok && each.estimate)).size
        for (const each of found) {
          if (!each.ok) continue
          const { resolved, month, account } = each
          const { planned, alwaysOn } = account
          const alone = estimating.estimateMachine({
            resolved,
            month,
            shared: planned,
            sharedAlwaysOn: alwaysOn,
          })
          expect(alone.ok && spelledOut(alone.value)).toEqual(spelledOut(each.estimate))
        }
      },
    ),
    randomRuns(25),
  )
  expect(shared).toBeGreaterThan(10)
})

const spelledOut = ({ charges, total, alwaysOn, averagePerHour, onTime, starts }: estimating.Estimate) => ({
  charges: charges.map(({ pieces, ...charge }) => ({ ...charge, ticks: pieces.ticks, list: pieces.list })),
  total,
  alwaysOn,
  averagePerHour,
  onTime,
  starts,
})
