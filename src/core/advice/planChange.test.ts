import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { compare } from '../quantity/exact.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { planChange, withWeek } from './planChange.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const books = DEMO_BOOKS.map((book) => ({ ...book, valid: { from: '2026-01-01' } }))
const inputs = { books, month: '2027-03' as YearMonth, reading: 'calendar' as const }

const anyPlan = fc.record({
  weeks: fc.tuple(anyWeek('one'), anyWeek('two')),
  machines: fc
    .array(
      fc.constantFrom(...books).chain((book) => anyMachineOf(book, ['one', 'two'])),
      { maxLength: 8 },
    )
    .map((machines) => machines.map((machine, i): Machine => ({ ...machine, name: `machine-${i}` }))),
})

test('what it leaves out costs the same before and after, and what it says is what the plans cost', () => {
  let left = 0
  let said = 0
  fc.assert(
    fc.property(anyPlan, anyWeek('one'), ({ weeks, machines }, week) => {
      const plan = { weeks, machines }
      const after = withWeek(plan, week)
      const changes = new Map(planChange({ ...inputs, plan }, after).map((each) => [each.name, each]))
      const pricing = [plan, after].map((each) => new PlanPricing({ ...inputs, plan: each }))
      for (const machine of machines) {
        const [was, is] = pricing.map((each) => each.of(machine))
        if (!was?.ok || !is?.ok) throw new Error('not priced')
        const change = changes.get(machine.name)
        if (change) {
          said += 1
          expect(compare(change.before!, was.estimate.total)).toBe(0)
          expect(compare(change.after!, is.estimate.total)).toBe(0)
        } else {
          left += 1
          expect(machine.week).toBe('two')
          expect(compare(was.estimate.total, is.estimate.total)).toBe(0)
        }
      }
    }),
    randomRuns(40),
  )
  expect([left, said].every((count) => count > 20)).toBe(true)
})

test('machines that come and go have one side only', () => {
  const [first] = fc.sample(anyMachineOf(books[0]!, ['one']), { seed: 1, numRuns: 1 })
  const [week] = fc.sample(anyWeek('one'), { seed: 1, numRuns: 1 })
  const plan = { weeks: [week!], machines: [{ ...first!, name: 'old' }] }
  const changes = planChange({ ...inputs, plan }, { ...plan, machines: [{ ...first!, name: 'new' }] })
  expect(changes.map(({ name, before, after }) => [name, before !== undefined, after !== undefined])).toEqual([
    ['old', true, false], ['new', false, true],
  ]) // prettier-ignore
})
