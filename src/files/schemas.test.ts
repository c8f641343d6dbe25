import { PlanPricing } from '../core/meter/planPricing.ts'
import Ajv, { type ValidateFunction } from 'ajv'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { estimateReport, pricePlan } from './estimate/estimateReport.ts'
import { MONTH_READINGS } from '../core/calendar/billingMonth.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { RULE_BOOK } from '../core/testing/ruleBook.ts'
import { parseDate } from '../core/calendar/civil.ts'
import { instant } from '../core/quantity/units.ts'
import { FORMATS, formatSchema } from './formats/formats.ts'
import { checkPlan } from './plan/checkPlan.ts'
import { mutatedJson, seeded } from './testing/mutate.ts'
import { exportSchedule } from './timers/exportSchedule.ts'
import { readPlan } from './plan/planFile.ts'
import { readPriceBook, writePriceBook } from './priceBook/priceBookFile.ts'
import { RANDOM_SEED } from '../core/testing/randomRuns.ts'

const ajv = new Ajv({ allErrors: true, multipleOfPrecision: 9 })
const text = (path: string): string => readFileSync(path, 'utf8')
const json = (path: string): unknown => JSON.parse(text(path))
const compile = (name: string): ValidateFunction =>
  ajv.compile(json(`docs/formats/${name}.schema.json`) as object)

const DEMO_BOOK_FILES = [
  'data/fennmark.json',
  'data/tidewright.json',
  'data/plinthouse.json',
  'data/quarry-row-2026-10.json',
  'data/quarry-row-2027-07.json',
]

const planSchema = compile('plan')
const bookSchema = compile('price-book')
const estimateSchema = compile('estimate')

test('the feed of every week of the demo follows its schema', () => {
  const feedSchema = compile('schedule')
  const read = readPlan(text('data/larkspur-trams.json'))
  if (!read.ok) throw new Error('the demo is not valid')
  const { weeks, machines } = read.value
  for (const week of weeks) {
    const { files } = exportSchedule({
      format: 'feed',
      safetyNet: true,
      week,
      machines: machines.filter((machine) => machine.week === week.id),
      from: parseDate('2027-03-01')!,
      to: parseDate('2027-05-31')!,
      commands: {},
      scriptPath: '/opt/week.sh',
      base: week.id,
      made: instant(1_800_000_000),
    })
    expect(feedSchema(JSON.parse(files[0]!.text))).toBe(true)
    expect(files[0]!.name).toBe(`${week.id}.schedule.json`)
  }
})

describe('the documented schemas', () => {
  test.each(FORMATS)('$file is what the program checks by; npm run formats writes it anew', (format) => {
    expect(text(`docs/formats/${format.file}.schema.json`)).toBe(
      `${JSON.stringify(formatSchema(format), null, 2)}\n`,
    )
  })

  test.each(['data/larkspur-trams.json', 'docs/formats/plan.example.json'])(
    '%s is a plan to both',
    (path) => {
      expect(planSchema(json(path))).toBe(true)
      expect(readPlan(text(path)).ok).toBe(true)
    },
  )

  test.each([...DEMO_BOOK_FILES, 'docs/formats/price-book.example.json'])('%s is a book to both', (path) => {
    expect(bookSchema(json(path))).toBe(true)
    expect(readPriceBook(text(path)).ok).toBe(true)
  })

  test('the example plan is priced by the example book', () => {
    const plan = readPlan(text('docs/formats/plan.example.json'))
    const book = readPriceBook(text('docs/formats/price-book.example.json'))
    expect(plan.ok && book.ok && checkPlan(plan.value, [book.value])).toEqual([])
  })

  test.each(MONTH_READINGS)('what the command line prints is an estimate, read as %s', (reading) => {
    const plan = readPlan(text('data/larkspur-trams.json'))
    const books = DEMO_BOOK_FILES.flatMap((path) => {
      const book = readPriceBook(text(path))
      return book.ok ? [book.value] : []
    })
    if (!plan.ok) throw new Error('the demo is not valid')
    const month = '2027-03' as YearMonth
    const report = estimateReport(
      plan.value,
      pricePlan(plan.value, new PlanPricing({ plan: plan.value, books, month, reading })),
      month,
      reading,
    )
    expect([estimateSchema(JSON.parse(JSON.stringify(report))), estimateSchema.errors]).toEqual([true, null])
  })
})

/** Takes out, one after another, every field of a document, or puts text in its place. */
function* broken(document: unknown): Generator<{ readonly path: string; readonly document: unknown }> {
  function* walk(value: unknown, path: string[]): Generator<string[]> {
    if (typeof value !== 'object' || value === null) return
    for (const key of Object.keys(value).slice(0, 3)) {
      yield [...path, key]
      yield* walk((value as Record<string, unknown>)[key], [...path, key])
    }
  }
  for (const path of walk(document, [])) {
    const copy = structuredClone(document)
    const parent = path
      .slice(0, -1)
      .reduce<Record<string, unknown>>((at, key) => at[key] as never, copy as never)
    parent[path.at(-1)!] = { surprising: true }
    yield { path: path.join('/'), document: copy }
  }
}

test('whatever is replaced by nonsense is refused by the schema and by the program alike', () => {
  const plan = json('docs/formats/plan.example.json')
  for (const { path, document } of broken(plan)) {
    expect([path, planSchema(document), readPlan(JSON.stringify(document)).ok]).toEqual([path, false, false])
  }
  const book = JSON.parse(writePriceBook(RULE_BOOK)) as unknown
  expect(bookSchema(book)).toBe(true)
  for (const { path, document } of broken(book)) {
    expect([path, bookSchema(document), readPriceBook(JSON.stringify(document)).ok]).toEqual([
      path,
      false,
      false,
    ])
  }
})

/** A schema can say less than the program checks, and never more. */
test.each([
  ['plan', planSchema, readPlan, json('docs/formats/plan.example.json')],
  ['book', bookSchema, readPriceBook, json('docs/formats/price-book.example.json')],
])('what the program reads of a mutated %s, its schema allows', (_, schema, parse, document) => {
  const random = seeded(RANDOM_SEED)
  let read = 0
  let refusedByBoth = 0
  for (let i = 0; i < 400; i += 1) {
    const mutated = mutatedJson(document, random)
    const isRead = parse(JSON.stringify(mutated)).ok
    const isAllowed = schema(mutated)
    if (isRead) expect([isAllowed, schema.errors]).toEqual([true, null])
    read += Number(isRead)
    refusedByBoth += Number(!isRead && !isAllowed)
  }
  expect([read > 0, refusedByBoth > 100]).toEqual([true, true])
})
