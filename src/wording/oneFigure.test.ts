import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { MONTH_READINGS, type MonthReading } from '../core/calendar/billingMonth.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { foldLedger } from '../core/ledger/foldLedger.ts'
import { planLedger } from '../core/ledger/planLedger.ts'
import { shownDays } from '../core/ledger/shownDays.ts'
import type { Charge } from '../core/meter/charge.ts'
import { PlanPricing, type PricedMachine } from '../core/meter/planPricing.ts'
import { planTotals } from '../core/meter/planTotals.ts'
import { twelveMonths } from '../core/meter/twelveMonths.ts'
import { planAhead } from '../core/wholePlan/planAhead.ts'
import { toDecimal } from '../core/quantity/decimal.ts'
import { add, ZERO } from '../core/quantity/exact.ts'
import { roundParts } from '../core/quantity/roundParts.ts'
import { PlanSpending } from '../core/wholePlan/planSpending.ts'
import { estimateReport, pricePlan } from '../files/estimate/estimateReport.ts'
import { readPlan } from '../files/plan/planFile.ts'
import { readPriceBook } from '../files/priceBook/priceBookFile.ts'
import { chargeDetail } from './charge.ts'

/** Every figure of the demo, wherever it is shown, says the same; and what is said to be multiplied gives it. */

const books = ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10', 'quarry-row-2027-07'].map(
  (name) => {
    const book = readPriceBook(readFileSync(`data/${name}.json`, 'utf8'))
    if (!book.ok) throw new Error(name)
    return book.value
  },
)
const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const MONTHS = ['2027-03', '2027-10', '2028-02'] as YearMonth[]

const cases = MONTHS.flatMap((month) => MONTH_READINGS.map((reading) => [month, reading] as const))

function pricedIn(month: YearMonth, reading: MonthReading): PricedMachine[] {
  const pricing = new PlanPricing({ plan, books, month, reading })
  return plan.machines.flatMap((machine) => {
    const result = pricing.of(machine)
    return result.ok ? [result] : []
  })
}

/** What the figures in a line's words give when they are multiplied as they say. */
function multiplied(charge: Charge): number {
  const text = chargeDetail(charge)
    .replaceAll(',', '')
    .replace(/ \([^)]*\)/, '')
  const numbers = (pattern: RegExp): number[] => (pattern.exec(text) ?? []).slice(1).map(Number)
  const product = (values: readonly number[]): number => values.reduce((all, value) => all * value, 1)
  const share = / all month/.test(text)
    ? 1
    : (([part, whole]) => (part === undefined ? 1 : part / whole!))(
        numbers(/ ?([\d.]+) of ([\d.]+) h(?! of)/),
      )
  switch (charge.subject.of) {
    case 'size':
    case 'licence':
    case 'address': {
      const [rate = NaN] = numbers(/ at ([\d.]+)/)
      const [units = 1] = numbers(/ × ([\d.]+) /)
      const time = charge.rate.per === 'month' ? [share] : numbers(/([\d.]+) h/)
      return product([...time, units, rate])
    }
    case 'up-front': {
      const [months = NaN, whole = NaN] = numbers(/one of ([\d.]+) months of ([\d.]+)/)
      return whole / months
    }
    case 'disk':
      return charge.subject.byStep
        ? product([...numbers(/ at ([\d.]+)/), share])
        : product([...numbers(/^([\d.]+) GiB .* × ([\d.]+)/), share])
    case 'disk-iops':
    case 'disk-throughput':
      return product([...numbers(/^([\d.]+) .* at ([\d.]+)/), share])
    case 'disk-operations':
      return product(numbers(/^([\d.]+) at ([\d.]+)/)) / 10_000
    case 'snapshots':
    case 'memory':
      return product([...numbers(/([\d.]+) GiB at ([\d.]+)/), share])
    case 'traffic':
      return product(numbers(/([\d.]+) GiB at ([\d.]+)/))
    case 'restore':
      return product(numbers(/([\d.]+) GiB ([\d.]+) times at ([\d.]+)/))
    case 'minimum': {
      const [least = NaN, reached = NaN] = numbers(/^([\d.]+) a month at the least .*?([\d.]+) reached/)
      return least - reached
    }
  }
}

describe.each(cases)('%s, read as %s', (month, reading) => {
  const priced = pricedIn(month, reading)

  test('every line multiplies out to what it says', () => {
    for (const { estimate, resolved } of priced) {
      for (const charge of estimate.charges) {
        const said = charge.waived ? 0 : multiplied(charge)
        const amount = Number(toDecimal(charge.amount, 6))
        expect([resolved.machine.name, chargeDetail(charge), Math.abs(said - amount) < 0.005]).toEqual([
          resolved.machine.name,
          chargeDetail(charge),
          true,
        ])
        if (charge.waived) expect(chargeDetail(charge)).toMatch(/, not charged$/)
      }
    }
  })

  test('a day is the same in the month, its chart and the ledger; days and lines add up to the total', () => {
    for (const { estimate, resolved } of priced) {
      const { name } = resolved.machine
      const { timeZone } = resolved.week
      const days = shownDays(estimate, timeZone)
      const total = toDecimal(estimate.total, 2)
      expect([
        name,
        toDecimal(
          days.reduce((sum, { shown }) => add(sum, shown), ZERO),
          2,
        ),
      ]).toEqual([name, total])
      const inputs = { plan, books, month, reading, only: name, byDaysOf: timeZone, decimals: 2 }
      const { ledger, days: local } = planLedger(inputs)
      const folded = foldLedger(ledger, ledger.byTime, 'day', local)
      const byDay = new Map(folded.map(({ key, sums }) => [Number(key), [...sums.values()][0]!]))
      expect(local.map((_, i) => byDay.get(i) ?? 0)).toEqual(
        days.map(({ shown }) => Number(toDecimal(shown, 2)) * 100).map(Math.round),
      )
      const lines = new Map<number, number>()
      for (let row = 0; row < ledger.line.length; row += 1)
        lines.set(ledger.line[row]!, (lines.get(ledger.line[row]!) ?? 0) + ledger.shown[row]!)
      const { parts: shown } = roundParts(
        estimate.charges.map(({ amount }) => amount),
        2,
      )
      expect(estimate.charges.map((_, i) => lines.get(i) ?? 0)).toEqual(
        shown.map((text) => Math.round(Number(text) * 100)),
      )
    }
  })

  test('the command line has the screen’s totals', () => {
    const report = estimateReport(
      plan,
      pricePlan(plan, new PlanPricing({ plan, books, month, reading })),
      month,
      reading,
    )
    const totals = planTotals(
      plan,
      priced.map(({ estimate }) => estimate),
      month,
      2,
    )
    expect(report.total.shown.planned).toBe(toDecimal(totals.planned, 2))
    expect(report.machines.map(({ total }) => Number(total).toFixed(2)).length).toBe(priced.length)
  })
})

test('twelve months are the same on the bench and in the month, for each machine alone and for all', () => {
  const month = '2027-01' as YearMonth
  for (const machine of plan.machines) {
    const alone = { ...plan, machines: [machine] }
    const own = twelveMonths(machine, { plan: alone, books, month, reading: 'calendar' })
    if (!own.total) continue
    const known = { ...alone, currency: own.total.currency }
    const inputs = { plan: known, books, reading: 'calendar' } as const
    const ahead = planAhead(inputs, new PlanSpending(inputs), month, 2)
    const bench = ahead.reduce((sum, { planned }) => add(sum, planned), ZERO)
    expect([machine.name, toDecimal(own.total.amount, 4)]).toEqual([machine.name, toDecimal(bench, 4)])
  }
})
