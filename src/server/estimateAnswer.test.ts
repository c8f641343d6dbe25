import Ajv2020 from 'ajv/dist/2020'
import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { PlanPricing } from '../core/meter/planPricing.ts'
import { planTotals } from '../core/meter/planTotals.ts'
import { parseDecimal, toDecimal } from '../core/quantity/decimal.ts'
import { add, compare, ZERO } from '../core/quantity/exact.ts'
import { anyMachineOf, anyWeek } from '../core/testing/anyMachines.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { estimateCsv } from '../files/estimate/estimateCsv.ts'
import { estimateRows } from '../files/estimate/estimateTable.ts'
import type { EstimateReport, PaidForReport } from '../files/estimate/estimateReport.ts'
import { planToFile } from '../files/plan/planDocument.ts'
import { estimateAnswer } from './estimateAnswer.ts'
import { OPEN_API } from './openApi.ts'
import { randomRuns } from '../core/testing/randomRuns.ts'

const json = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'))
const BOOKS = ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10', 'quarry-row-2027-07'].map(
  (name) => json(`data/${name}.json`),
)
const demo = () => ({ plan: json('data/larkspur-trams.json') as { machines: unknown[] }, books: BOOKS })

const ask = (body: unknown) => estimateAnswer(typeof body === 'string' ? body : JSON.stringify(body))

const ajv = new Ajv2020({ strict: true, strictRequired: true, allowUnionTypes: true, schemas: [] })
ajv.addVocabulary(['openapi', 'info', 'servers', 'paths', 'components'])
ajv.addSchema(JSON.parse(JSON.stringify(OPEN_API)) as object, 'api')
const valid = (name: string, value: unknown): boolean => {
  const check = ajv.getSchema(`api#/components/schemas/${name}`)!
  const ok = check(value) as boolean
  if (!ok) throw new Error(JSON.stringify(check.errors?.slice(0, 3)))
  return ok
}

test('every reference of the description leads somewhere in it', () => {
  const document = JSON.parse(JSON.stringify(OPEN_API)) as object
  const found: string[] = []
  const walk = (value: unknown, key: string): void => {
    if (key === '$id' || key === '$schema') throw new Error(`${key} would move the references`)
    if (key === '$ref') found.push(String(value))
    if (typeof value === 'object' && value !== null)
      for (const [name, item] of Object.entries(value)) walk(item, name)
  }
  walk(document, '')
  const at = (pointer: string): unknown =>
    pointer
      .slice(2)
      .split('/')
      .reduce<unknown>((value, step) => (value as Record<string, unknown> | undefined)?.[step], document)
  expect(found.length).toBeGreaterThan(100)
  expect(found.filter((ref) => !ref.startsWith('#/') || typeof at(ref) !== 'object')).toEqual([])
})

describe('the service', () => {
  test('answers the estimate, as its description says', () => {
    const { status, body } = ask(demo())
    expect(status).toBe(200)
    expect(valid('EstimateRequest', demo())).toBe(true)
    expect(valid('Estimate', body)).toBe(true)
    expect((body as EstimateReport).month).toBe('2027-03')
  })

  test('one machine, another month, another reading', () => {
    const { body } = ask({
      ...demo(),
      month: '2027-04',
      reading: '730-hours',
      machine: 'tile-cache-arm',
    })
    const report = body as EstimateReport
    expect([report.month, report.reading, report.machines.map(({ name }) => name)]).toEqual([
      '2027-04',
      '730-hours',
      ['tile-cache-arm'],
    ])
  })

  test.each<[string, () => unknown, number, RegExp]>([
    ['text that is no JSON', () => '{"plan":', 400, /not JSON/],
    ['a field that it does not have', () => ({ ...demo(), secret: 1 }), 422, /secret/],
    [
      'machines that are null',
      () => ({ ...demo(), plan: { ...demo().plan, machines: [null, null] } }),
      422,
      /machines\/1/,
    ],
    ['a hundred thousand levels', () => `{"plan":${'['.repeat(100_000)}`, 422, /levels deep/],
    ['no books', () => ({ plan: demo().plan, books: [] }), 422, /books/],
    ['a broken plan', () => ({ ...demo(), plan: { ...demo().plan, month: 'soon' } }), 422, /plan\/month/],
    ['a month without prices', () => ({ ...demo(), month: '2026-05' }), 422, /machines\/0\/provider/],
    ['a machine that is not there', () => ({ ...demo(), machine: 'nobody' }), 422, /signal-replay/],
    [
      'two editions of one time',
      () => ({ ...demo(), books: [...BOOKS, { ...(BOOKS[0] as object), edition: 'other' }] }),
      422,
      /edition/,
    ],
    [
      'more machines than it takes',
      () => {
        const { plan, books } = demo()
        const first = plan.machines[0] as object
        return {
          books,
          plan: { ...plan, machines: Array.from({ length: 2_001 }, (_, i) => ({ ...first, name: `m${i}` })) },
        }
      },
      422,
      /2001 machines/,
    ],
  ])('refuses %s with its place', (_, body, status, text) => {
    const answer = ask(body())
    expect(answer.status).toBe(status)
    expect(valid('Problem', answer.body)).toBe(true)
    expect(JSON.stringify(answer.body)).toMatch(text)
  })
})

/** The parts add up to the month, and with what is saved to always on. */
function expectPaid({ kept, asked, leak, saved }: PaidForReport, total: string, alwaysOn: string): void {
  const sum = (...texts: string[]) => texts.reduce((all, text) => add(all, parseDecimal(text)!), ZERO)
  expect(compare(sum(kept, asked, leak), sum(total))).toBe(0)
  expect(compare(sum(total, saved), sum(alwaysOn))).toBe(0)
}

test('service, table, CSV and screen have one total, on random plans', () => {
  const books = DEMO_BOOKS.slice(0, 2)
  const anyPlan = fc.record({
    machines: fc.array(fc.oneof(...books.map((book) => anyMachineOf(book, ['a', 'b']))), {
      minLength: 1,
      maxLength: 5,
    }),
    weeks: fc.tuple(anyWeek('a'), anyWeek('b')),
  })
  const files = books.map((book: PriceBook) => JSON.parse(JSON.stringify(book)) as object)
  fc.assert(
    fc.property(anyPlan, ({ machines: some, weeks }) => {
      const month = '2027-03' as YearMonth
      const machines = some.map((machine, i) => ({ ...machine, name: `m${i}` }))
      const rates = [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-01-01' }]
      const plan: Plan = { name: 'any', month, weeks, machines, currency: 'EUR', exchangeRates: rates }
      const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
      const results = machines.map((machine) => pricing.of(machine))
      fc.pre(results.every(({ ok }) => ok))
      const { status, body } = ask({ plan: planToFile(plan), books: files })
      expect(status).toBe(200)
      const report = body as EstimateReport
      const estimates = results.flatMap((result) => (result.ok ? [result.estimate] : []))
      const screen = planTotals(plan, estimates, month, 2)
      expect(report.total.shown.planned).toBe(toDecimal(screen.planned, 2))
      expect(estimateRows(report, 12).find(([name]) => name === 'total')![5]).toBe(report.total.planned)
      expect(estimateRows(report, 2).find(([name]) => name === 'total')![5]).toBe(report.total.shown.planned)
      const rows = Papa.parse<string[]>(estimateCsv(report)).data
      expect(rows.find(([row]) => row === 'plan')!.slice(6, 12)).toEqual([
        report.total.planned,
        report.total.alwaysOn,
        ...Object.values(report.total.paidFor),
      ])
      for (const { name, total, alwaysOn, paidFor } of report.machines) {
        expect(rows.find((row) => row[0] === 'machine' && row[1] === name)![6]).toBe(total)
        expectPaid(paidFor, total, alwaysOn)
      }
      expectPaid(report.total.shown.paidFor, report.total.shown.planned, report.total.shown.alwaysOn)
    }),
    randomRuns(5),
  )
}, 60_000)
