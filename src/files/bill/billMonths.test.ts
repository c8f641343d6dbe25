import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { finishLater } from '../../core/finish.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { planTotals } from '../../core/meter/planTotals.ts'
import { toDecimal } from '../../core/quantity/decimal.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { focusCsv } from '../focus/focusCsv.ts'
import { readPlan } from '../plan/planFile.ts'
import { billMonths } from './billMonths.ts'
import { keptBills } from './keptBill.ts'
import { readBill } from './readBill.ts'
import { zonesOf } from './zonesOf.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const books = DEMO_BOOKS

const pricedIn = (month: YearMonth) => {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  return plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
}

async function billOf(month: YearMonth) {
  const file = new Blob([focusCsv(pricedIn(month), 'day')])
  const reading = await finishLater(readBill({ files: [{ name: 'bill.csv', file }], ...zonesOf(books) }))
  if (!reading.ok) throw new Error('the bill is not read')
  return keptBills(reading.value).months.find((each) => each.month === month)!
}

test('months that went as planned are each the plan’s own total, planned and billed; what is broken is left out', async () => {
  const asked: YearMonth[] = ['2027-03' as YearMonth, '2027-04' as YearMonth]
  const bills = [
    ...(await Promise.all(asked.map(billOf))),
    { month: '2027-05' as YearMonth, bytes: new Uint8Array([1, 2]) },
  ]
  const months = await finishLater(billMonths({ plan, books, bills }))
  expect(months.map(({ month, currency, until }) => [month, currency, until])).toEqual(
    asked.map((month) => [month, 'EUR', undefined]),
  )
  for (const { month, planned, billed } of months) {
    const estimates = pricedIn(month).map(({ estimate }) => estimate)
    const total = toDecimal(planTotals(plan, estimates, month, 2).planned, 2)
    expect([toDecimal(planned, 2), toDecimal(billed, 2)]).toEqual([total, total])
  }
})
