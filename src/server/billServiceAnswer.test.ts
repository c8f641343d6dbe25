import Ajv2020 from 'ajv/dist/2020'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import type { BillReport } from '../files/bill/billReport.ts'
import type { ComparisonReport } from '../files/bill/comparisonReport.ts'
import { CommandRun } from '../cli/CommandRun.ts'
import { runCommand } from '../cli/runCommand.ts'
import { billServiceAnswer } from './billServiceAnswer.ts'
import { OPEN_API } from './openApi.ts'

const json = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'))
const question = [
  '--plan',
  'data/larkspur-trams.json',
  '--book',
  'data/fennmark.json',
  '--book',
  'data/tidewright.json',
  '--book',
  'data/plinthouse.json',
  '--book',
  'data/quarry-row-2026-10.json',
  '--month',
  '2027-03',
]
let bill = ''
runCommand(
  [...question, '--format', 'focus'],
  new CommandRun(
    (text) => (bill += text),
    () => undefined,
  ),
)
const planned = {
  plan: json('data/larkspur-trams.json'),
  books: ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10'].map((name) =>
    json(`data/${name}.json`),
  ),
}

const ajv = new Ajv2020({ strict: true, strictRequired: false, allowUnionTypes: true, strictTypes: false })
ajv.addVocabulary(['openapi', 'info', 'servers', 'paths', 'components'])
ajv.addSchema(JSON.parse(JSON.stringify(OPEN_API)) as object, 'api')
const valid = (name: string, value: unknown): boolean => {
  const check = ajv.getSchema(`api#/components/schemas/${name}`)!
  const ok = check(value) as boolean
  if (!ok) throw new Error(JSON.stringify(check.errors?.slice(0, 3)))
  return ok
}
const ask = (body: unknown) => billServiceAnswer(typeof body === 'string' ? body : JSON.stringify(body))

describe('the service, asked about a bill', () => {
  test('says what it holds, and beside a plan that it is as planned', async () => {
    expect(bill.length).toBeGreaterThan(10_000)
    const alone = await ask({ bill })
    expect(alone.status).toBe(200)
    expect([valid('BillRequest', { bill }), valid('Bill', alone.body)]).toEqual([true, true])
    expect((alone.body as BillReport).rows).toBeGreaterThan(1_000)
    const beside = await ask({ bill, ...planned, month: '2027-03' })
    expect(beside.status).toBe(200)
    expect(valid('BillComparison', beside.body)).toBe(true)
    const { currencies } = beside.body as ComparisonReport
    expect(currencies.flatMap(({ causes }) => causes.filter(({ code }) => code !== 'rounding'))).toEqual([])
  })

  test('reads another shape by its recipe', async () => {
    const column = (name: string) => ({ from: 'column', column: name })
    const recipe = {
      format: 'notchgauge/bill-recipe/1',
      provider: 'Own',
      headings: ['day', 'vm', 'what', 'net'],
      units: [],
      tags: [],
      dates: 'day-first',
      decimalMark: '.',
      fields: {
        start: column('day'),
        resource: column('vm'),
        kind: column('what'),
        cost: column('net'),
        currency: { from: 'constant', text: 'EUR' },
      },
      kinds: [{ text: 'machine', is: 'machine-time' }],
    }
    const body = { bill: 'day,vm,what,net\n2027-03-01,web,machine,2.50\n', recipe }
    expect(valid('BillRequest', body)).toBe(true)
    const { status, body: said } = await ask(body)
    expect([
      status,
      (said as BillReport).lines.map(({ resourceName, effective }) => [resourceName, effective]),
    ]).toEqual([200, [['web', '2.5']]])
  })

  test.each<[string, unknown, number, RegExp]>([
    ['text that is no JSON', '{', 400, /not JSON/],
    ['no bill', {}, 422, /\/bill/],
    ['a bill that is none', { bill: 'a,b\n1,2\n' }, 422, /are not there/],
    ['a plan without books', { bill, plan: planned.plan }, 422, /books/],
    ['a broken plan', { bill, ...planned, plan: { name: 'x' } }, 422, /\/plan/],
    ['a recipe of another sort', { bill, recipe: { format: 'notchgauge/price-recipe/1' } }, 422, /recipe/],
    ['a zone that is none', { bill, timeZone: 'Mars' }, 422, /timeZone/],
  ])('refuses %s with its place', async (_, body, status, text) => {
    const answer = await ask(body)
    expect(answer.status).toBe(status)
    expect(valid('Problem', answer.body)).toBe(true)
    expect(JSON.stringify(answer.body)).toMatch(text)
  })
})
