import Ajv2020 from 'ajv/dist/2020'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { CommandRun } from '../cli/CommandRun.ts'
import { runMarket } from '../cli/market.ts'
import type { MarketReport } from '../files/market/marketReport.ts'
import { marketServiceAnswer } from './marketServiceAnswer.ts'
import { OPEN_API } from './openApi.ts'

const json = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'))
const BOOKS = ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10', 'quarry-row-2027-07'].map(
  (name) => json(`data/${name}.json`),
)
const asked = {
  plan: json('data/larkspur-trams.json'),
  books: BOOKS,
  machine: 'timetable-loadgen',
  month: '2027-03',
}

const ajv = new Ajv2020({ strict: true, strictRequired: true, allowUnionTypes: true, schemas: [] })
ajv.addVocabulary(['openapi', 'info', 'servers', 'paths', 'components'])
ajv.addSchema(JSON.parse(JSON.stringify(OPEN_API)) as object, 'api')
const problemsOf = (name: string, value: unknown): unknown => {
  const check = ajv.getSchema(`api#/components/schemas/${name}`)!
  return check(value) ? [] : check.errors
}

const ask = (body: unknown) => marketServiceAnswer(typeof body === 'string' ? body : JSON.stringify(body))

describe('the service, asked about the market of a machine', () => {
  test('answers what the command line prints, as its description says', async () => {
    const body = { ...asked, top: 7 }
    const { status, body: said } = ask(body)
    expect([status, problemsOf('MarketRequest', body), problemsOf('Market', said)]).toEqual([200, [], []])
    let printed = ''
    const run = new CommandRun(
      (text) => (printed += text),
      () => undefined,
    )
    const question = ['--plan', 'data/larkspur-trams.json', '--book', 'data', '--month', '2027-03']
    await runMarket([...question, '--machine', 'timetable-loadgen', '--format', 'json', '--top', '7'], run)
    expect(JSON.parse(JSON.stringify(said))).toEqual(JSON.parse(printed))
    expect((said as MarketReport).cheapest).toHaveLength(7)
  })

  test.each<[string, unknown, number, RegExp]>([
    ['text that is no JSON', '{', 400, /not JSON/],
    ['no machine', { ...asked, machine: undefined }, 422, /\/machine/],
    ['a machine that is none', { ...asked, machine: 'nobody' }, 422, /There is no machine .*nobody/],
    ['too many', { ...asked, top: 1_001 }, 422, /\/top/],
    ['a part of one', { ...asked, top: 1.5 }, 422, /\/top/],
    ['a plan without books', { ...asked, books: [] }, 422, /\/books/],
    ['another field', { ...asked, extra: 1 }, 422, /extra/],
  ])('refuses %s with its place', (_, body, status, text) => {
    const answer = ask(body)
    expect(answer.status).toBe(status)
    expect(problemsOf('Problem', answer.body)).toEqual([])
    expect(JSON.stringify(answer.body)).toMatch(text)
  })
})
