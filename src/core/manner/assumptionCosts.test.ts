import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { add, compare, toNumber, ZERO } from '../quantity/exact.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { assumptionCosts, underBook } from './assumptionCosts.ts'
import { BILLING_ANSWERS } from './billingAnswers.ts'
import { MANNERS, withManner } from './manners.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const PLAIN: PriceBook = { ...SMALL_BOOK, terms: [{ id: 'on-demand', name: 'On demand', kind: 'on-demand' }] }
const MONTH = '2027-03' as Plan['month']

function costsOf(book: PriceBook, plan: Plan) {
  return assumptionCosts({ plan, books: [book], month: MONTH, reading: 'calendar' })
}

const PLAN: Plan = {
  name: 'p',
  month: MONTH,
  weeks: [{ ...OFFICE_WEEK, id: SMALL_MACHINE.week }],
  machines: [{ ...SMALL_MACHINE, size: 'middle', off: 'deallocated' }],
}

test('of an office week at 0.2067 an hour: what a charged stop would cost, first', () => {
  const book = withManner(PLAIN, 'gives-back')
  const [first] = costsOf(book, PLAN)
  // All 744 h in place of (828,000 + 23 × 30) s ÷ 3,600; the disk of 9.86 is in both.
  expect(first).toMatchObject({ provider: 'mill', about: 'when-off', value: 'until-deleted' })
  expect(toNumber(first!.now)).toBeCloseTo(57.440618, 6)
  expect(toNumber(first!.then!)).toBeCloseTo(163.6448, 9)
})

test('nothing is asked of what somebody confirmed, nor of a plan without machines there', () => {
  const book = withManner(PLAIN, 'gives-back')
  expect(costsOf({ ...book, assumed: [{ about: 'month-zone', from: 'manner/gives-back' }] }, PLAN)).toEqual(
    [],
  )
  expect(costsOf(book, { ...PLAN, machines: [], providers: [{ id: 'mill' }] })).toEqual([])
  expect(costsOf(PLAIN, PLAN)).toEqual([])
})

test('a machine that has no price now is left out of both sums, and changes nothing in silence', () => {
  const book = withManner(PLAIN, 'gives-back')
  const unsold = { ...PLAN.machines[0]!, name: 'unsold', size: 'rare', zone: 'a', region: 'nowhere' }
  const [first] = costsOf(book, { ...PLAN, machines: [...PLAN.machines, unsold] })
  expect(first).toEqual(costsOf(book, PLAN)[0])
  expect(costsOf(book, { ...PLAN, machines: [unsold] })).toEqual([])
})

test('are what the plan costs with the answer changed, for any plan and manner', () => {
  const books = MANNERS.map((manner) => withManner(PLAIN, manner))
  const scene = fc
    .nat(books.length - 1)
    .chain((at) =>
      fc.tuple(
        fc.constant(at),
        anyWeek('one'),
        fc.array(anyMachineOf(books[at]!, ['one']), { minLength: 1, maxLength: 3 }),
      ),
    )
  fc.assert(
    fc.property(scene, ([at, week, drawn]) => {
      const book = books[at]!
      const machines = drawn.map((machine, i) => ({ ...machine, name: `m${i}` }))
      const plan: Plan = { ...PLAN, weeks: [week], machines }
      for (const { about, value, then } of costsOf(book, plan)) {
        const changed = BILLING_ANSWERS[about].apply(book, value)
        const moved = { ...plan, machines: underBook(machines, changed) }
        const pricing = new PlanPricing({ plan: moved, books: [changed], month: MONTH, reading: 'calendar' })
        const total = moved.machines.reduce((sum, machine) => {
          const result = pricing.of(machine)
          return result.ok ? add(sum, result.estimate.total) : sum
        }, ZERO)
        expect(compare(total, then!)).toBe(0)
      }
    }),
    randomRuns(20),
  )
})
