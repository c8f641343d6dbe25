import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { resolveChoice } from '../decisions/choice.ts'
import { finish } from '../finish.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { anyMachineOf } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { lostOfHeld } from '../testing/lostOfHeld.ts'
import { randomCount, RANDOM_SEED } from '../testing/randomRuns.ts'
import { weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { surveyPlan } from './surveyPlan.ts'

test('no saving of a plan loses what nobody has said may go, at any provider', () => {
  const weeks = ['one', 'two'].map((id) => ({
    ...weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00')),
    id,
  }))
  const books = DEMO_BOOKS.map((book) => ({ ...book, valid: { from: '2027-01-01' } }))
  const machines = books.flatMap((book) =>
    fc
      .sample(anyMachineOf(book, ['one', 'two']), { numRuns: randomCount(12), seed: RANDOM_SEED })
      .map((machine, at) => ({ ...machine, name: `${book.provider.id}-${at}` })),
  )
  const inputs = {
    plan: { machines, weeks, currency: 'EUR' },
    books,
    month: '2027-03' as YearMonth,
    reading: 'calendar',
    currency: 'EUR',
    decimals: 2,
  } as const
  const pricing = new PlanPricing(inputs)
  const { notches } = finish(surveyPlan(inputs, pricing))
  expect(notches.length).toBeGreaterThan(machines.length)
  for (const { machine: name, choice } of notches) {
    const priced = pricing.of(machines.find((machine) => machine.name === name)!)
    if (!priced.ok) throw new Error(name)
    const then = resolveChoice(priced.resolved, choice)
    expect([name, choice, lostOfHeld(priced.resolved, then)]).toEqual([name, choice, []])
  }
})
