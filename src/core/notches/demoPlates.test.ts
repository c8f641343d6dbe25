import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { readPlan } from '../../files/plan/planFile.ts'
import { MONTH_READINGS } from '../calendar/billingMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { applyChoice } from '../decisions/choice.ts'
import { exchanged, exchangeEitherWay } from '../machine/exchange.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { compare } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { platesOf } from './plates.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const { machines, month } = plan

/** A choice must cost on its plate what the machine costs once the choice is taken, whatever the account shares. */
describe.each(MONTH_READINGS)('every notch of the demo, read as %s', (reading) => {
  const priceWith = (changed: typeof machines, more: readonly WeekPlan[] = []) =>
    new PlanPricing({
      plan: { ...plan, machines: changed, weeks: [...plan.weeks, ...more] },
      books: DEMO_BOOKS,
      month,
      reading,
    })
  const pricing = priceWith(machines)

  test.each(machines.map((machine, at) => [machine.name, machine, at] as const))('%s', (_, machine, at) => {
    const result = pricing.of(machine)
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    const { resolved, account } = result
    let compared = 0
    const elsewhere = pricing.elsewhere(resolved.index)
    const inputs = { resolved, plan, month: result.month, shared: account.planned, elsewhere }
    for (const { notches } of platesOf(inputs)) {
      // Lists of sizes are long: the nearest ones, and every fifth of the rest.
      const some = notches.filter(({ isPresent }, i) => isPresent || i % 5 === 0 || notches.length < 12)
      for (const { choice, total, carried } of some) {
        const changed = carried?.machine ?? applyChoice(machine, choice)
        const others = machines.map((other, i) => (i === at ? changed : other))
        const isNew = choice.decision === 'week' && !plan.weeks.includes(choice.week)
        const taken = priceWith(others, isNew ? [choice.week] : []).of(changed)
        if (!taken.ok) expect(total).toBeUndefined()
        else {
          const exchange = exchangeEitherWay(
            taken.estimate.currency,
            result.estimate.currency,
            plan.exchangeRates,
            month,
          )
          const expected = exchanged(taken.estimate.total, exchange)
          if (!expected) expect(total).toBeUndefined()
          else expect(compare(total!, expected)).toBe(0)
          compared += 1
        }
      }
    }
    expect(compared).toBeGreaterThan(20)
  })
})
