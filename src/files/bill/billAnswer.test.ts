import Papa from 'papaparse'
import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { finishLater } from '../../core/finish.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { planTotals } from '../../core/meter/planTotals.ts'
import { subtract } from '../../core/quantity/exact.ts'
import { budgetReach } from '../../core/wholePlan/budgetReach.ts'
import { creditRunway } from '../../core/wholePlan/creditRunway.ts'
import { PlanSpending } from '../../core/wholePlan/planSpending.ts'
import { parseDecimal, toDecimal } from '../../core/quantity/decimal.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { focusCsv } from '../focus/focusCsv.ts'
import { readPlan } from '../plan/planFile.ts'
import { billAnswer, type BillAnswer } from './billAnswer.ts'
import { readBill } from './readBill.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const month = '2027-03' as YearMonth
const books = DEMO_BOOKS
const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)

/** The plan’s own month as its bill, with the rows that `keeps` is true for. */
async function answerTo(keeps: (from: string) => boolean, of = plan): Promise<BillAnswer> {
  const { data } = Papa.parse<Record<string, string>>(focusCsv(priced, 'day'), {
    header: true,
    skipEmptyLines: true,
  })
  const text = Papa.unparse(data.filter((row) => keeps(row.ChargePeriodStart!)))
  const reading = await finishLater(
    readBill({ files: [{ name: 'bill.csv', file: new Blob([text]) }], timeZone: 'Etc/UTC' }),
  )
  if (!reading.ok) throw new Error(JSON.stringify(reading.issues))
  return billAnswer(reading.value, { plan: of, books, month })
}

test('a month that goes as planned is forecast to the plan’s own total, to the cent, wherever its bill ends', async () => {
  const estimates = priced.map(({ estimate }) => estimate)
  const total = toDecimal(planTotals(plan, estimates, month, 2).planned, 2)
  for (const end of ['2027-03-05T12', '2027-03-16T12', '2027-03-28T12']) {
    const { until, currencies, forecast } = await answerTo((from) => from < end)
    expect(until).toBeDefined()
    expect([currencies.length, toDecimal(currencies[0]!.billed, 9)]).toEqual([
      1,
      toDecimal(currencies[0]!.planned, 9),
    ])
    expect(toDecimal(forecast!.planned, 9)).toBe(`${total}0000000`)
    expect(toDecimal(forecast!.low, 9)).toBe(`${total}0000000`)
  }
  // As the plan by itself: its budget is reached on the same day, and its credit lasts as long.
  const { forecast } = await answerTo((from) => from < '2027-03-16T12')
  expect(toDecimal(forecast!.budget!.over, 2)).toBe(
    toDecimal(subtract(parseDecimal(total)!, parseDecimal(plan.budget!)!), 2),
  )
  const spending = new PlanSpending({ plan, books, reading: 'calendar' })
  const { at } = budgetReach(spending.of(month), plan.budget!, parseDecimal(total)!)
  expect(forecast!.budget!.day).toBe(new Date(at! * 1_000).toISOString().slice(0, 10))
  expect(forecast!.credit!.expected.end).toEqual(creditRunway(spending, plan.credit!).end)
  const whole = await answerTo(() => true)
  expect(whole.forecast).toBeUndefined()
  expect(toDecimal(whole.currencies[0]!.planned, 2)).toBe(total)
})

test('what has no rate to the plan’s currency stands in its own, and is forecast in it', async () => {
  const { currencies, forecast } = await answerTo((from) => from < '2027-03-16T12', {
    ...plan,
    currency: 'SEK',
    exchangeRates: [],
  })
  expect(currencies.map(({ currency }) => currency)).not.toContain('SEK')
  expect(toDecimal(forecast!.low, 6)).toBe(toDecimal(forecast!.planned, 6))
})
