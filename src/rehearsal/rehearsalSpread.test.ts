import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { finish } from '../core/finish.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { toDecimal } from '../core/quantity/decimal.ts'
import { add, compare, ZERO } from '../core/quantity/exact.ts'
import { PlanPricing } from '../core/meter/planPricing.ts'
import { planTotals } from '../core/meter/planTotals.ts'
import { weekOf, windowsOn, WORKDAYS } from '../core/testing/weeks.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { readPlan } from '../files/plan/planFile.ts'
import { USUAL_RATES, type MishapRates } from './mishap.ts'
import { shutdownAfterWindows } from '../core/calendar/shutdownAfterWindows.ts'
import { rehearsalSpread } from './rehearsalSpread.ts'
import { rehearseBill } from './rehearseBill.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error(JSON.stringify(read.issues))
const question = (rates: MishapRates, count: number) => ({
  plan: read.value,
  books: DEMO_BOOKS,
  month: '2027-03' as YearMonth,
  rates,
  count,
})

test('where nothing goes wrong, every rehearsal costs what was planned', () => {
  const { planned, months, kinds } = finish(rehearsalSpread(question({}, 3)))
  expect(months.map(({ total }) => compare(total, planned))).toEqual([0, 0, 0])
  expect(kinds).toEqual([])
  const pricing = new PlanPricing({ ...question({}, 0), reading: 'calendar' })
  const priced = read.value.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const estimates = priced.map(({ estimate }) => estimate)
  expect(toDecimal(planned, 2)).toBe(
    toDecimal(planTotals(read.value, estimates, question({}, 0).month, 2).planned, 2),
  )
})

test('machines without a rate to the plan’s currency are left out and named, as in its total', () => {
  const { planned, months, withoutRate } = finish(
    rehearsalSpread({ ...question({}, 1), plan: { ...read.value, currency: 'SEK' } }),
  )
  expect(withoutRate).toContain('EUR')
  expect(planned.n).toBe(0n)
  expect(months.map(({ total }) => total.n)).toEqual([0n])
})

test('months are in order, kinds add up to what they cost more, and a seed lets its month happen again', () => {
  const { planned, months, kinds, savedByShutdown } = finish(rehearsalSpread(question(USUAL_RATES, 12)))
  const totals = months.map(({ total }) => total)
  expect(totals.every((total, i) => i === 0 || compare(totals[i - 1]!, total) <= 0)).toBe(true)
  expect(new Set(months.map(({ seed }) => seed)).size).toBe(12)
  const average = totals.reduce(add, ZERO)
  const more = kinds.reduce((sum, { cost }) => add(sum, cost), ZERO)
  // What befalls one machine takes free hours and cheap traffic from others.
  const off = Math.abs(
    Number(toDecimal(average, 6)) / 12 - Number(toDecimal(planned, 6)) - Number(toDecimal(more, 6)),
  )
  expect(off).toBeLessThan(3)
  expect(savedByShutdown.n).toBeGreaterThan(0n)
  const [first] = months
  const again = rehearseBill({ ...question(USUAL_RATES, 0), seed: first!.seed })
  expect(again.mishaps).toEqual(rehearseBill({ ...question(USUAL_RATES, 0), seed: first!.seed }).mishaps)
})

test('an auto-shutdown stands an hour after the last window, if that is before midnight and there is none', () => {
  const office = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:05'))
  expect(shutdownAfterWindows(office)?.minute).toBe(19 * 60 + 15)
  expect(shutdownAfterWindows({ ...office, autoShutdown: { minute: 0, days: [0] } })).toBeUndefined()
  expect(shutdownAfterWindows(weekOf('Etc/UTC', windowsOn(WORKDAYS, '12:00-22:50')))).toBeUndefined()
  expect(shutdownAfterWindows(weekOf('Etc/UTC', []))).toBeUndefined()
})
