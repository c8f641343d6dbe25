import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { PlanPricing } from '../core/meter/planPricing.ts'
import { planTotals } from '../core/meter/planTotals.ts'
import { compare, toNumber } from '../core/quantity/exact.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { billAnswer } from '../files/bill/billAnswer.ts'
import { readPlan } from '../files/plan/planFile.ts'
import { finishLater } from '../core/finish.ts'
import { keptBillFile } from '../files/bill/keptBill.ts'
import { readBill } from '../files/bill/readBill.ts'
import { rehearsalFilm } from './rehearsalFilm.ts'
import { rehearseBill } from './rehearseBill.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const month = '2027-03' as YearMonth
const question = (rates: Parameters<typeof rehearsalFilm>[0]['rates']) => ({
  plan,
  books: DEMO_BOOKS,
  month,
  rates,
  seed: 1,
})

test('where nothing goes wrong, the film spends what the plan does, hour by hour, to the plan’s total', () => {
  const { spent, planned, hours, machines, mishaps } = rehearsalFilm(question({}))
  expect([hours, spent.byHour.length, mishaps]).toEqual([748, 748, []])
  expect(spent).toEqual(planned)
  expect(spent.byHour.every((amount, i) => i === 0 || amount >= spent.byHour[i - 1]!)).toBe(true)
  expect(spent.byHour.at(-1)!).toBeCloseTo(toNumber(spent.total), 1)
  const pricing = new PlanPricing({ plan, books: DEMO_BOOKS, month, reading: 'calendar' })
  const estimates = plan.machines
    .map((machine) => pricing.of(machine))
    .flatMap((result) => (result.ok ? [result.estimate] : []))
  expect(compare(spent.total, planTotals(plan, estimates, month, 2).planned)).toBe(0)
  expect(machines.map(({ name }) => name).sort()).toEqual(plan.machines.map(({ name }) => name).sort())
})

test('with mishaps it ends with what its bill says, and shows who is not in the plan', async () => {
  const rates = { 'stop-missed': 0.1, unplanned: 0.3 }
  const film = rehearsalFilm(question(rates))
  const { months } = rehearseBill(question(rates))
  const reading = await finishLater(readBill(keptBillFile(months[0]!.bytes)))
  if (!reading.ok) throw new Error('not read')
  const { currencies } = billAnswer(reading.value, { plan, books: DEMO_BOOKS, month })
  expect(compare(film.spent.total, currencies[0]!.billed)).toBe(0)
  const spare = film.mishaps.filter(({ kind }) => kind === 'unplanned').map(({ machine }) => machine)
  expect(spare.length).toBeGreaterThan(0)
  expect(
    film.machines
      .filter(({ isPlanned }) => !isPlanned)
      .map(({ name }) => name)
      .sort(),
  ).toEqual(spare.sort())
  const missed = film.mishaps.find(({ kind }) => kind === 'stop-missed')!
  const stays = film.machines.find(({ name }) => name === missed.machine)!.stays
  expect(stays.findLast(({ from }) => from <= missed.at + 3_600)!.state).toBe('running')
})

test('a plan without machines has a film without hours', () => {
  expect(rehearsalFilm({ ...question({}), plan: { ...plan, machines: [] } })).toMatchObject({
    hours: 0,
    machines: [],
    spent: { byHour: [] },
  })
})
