import fc from 'fast-check'
import Joi from 'joi'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { formatClockTime, parseClockTime } from './reading/clockTime.ts'
import { excerpt, issueLine, pointerOf } from './reading/fileIssue.ts'
import { readAnyFile } from './readAnyFile.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { writeRecipe } from './pricelist/recipeFile.ts'
import { stableJson } from './reading/stableJson.ts'
import { limited } from './reading/validate.ts'
import { randomRuns } from '../core/testing/randomRuns.ts'

const PLAN = readFileSync('data/larkspur-trams.json', 'utf8')
const BOOK = readFileSync('data/fennmark.json', 'utf8')
const RECIPE = writeRecipe({
  provider: { id: 'own', name: 'Own' },
  manner: 'gives-back',
  mapping: {
    currency: 'EUR',
    units: { memory: 'GiB', vcpuPerCount: 1, period: 'hour', perCount: 1, diskRoom: 'GiB' },
    rows: [{ is: 'size-price', only: [], fields: { size: { from: 'column', column: 'what' } } }],
  },
})
const books = DEMO_BOOKS

describe('a file of either kind', () => {
  test('is taken for what it says it is', () => {
    expect(readAnyFile(PLAN, books)).toMatchObject({ ok: true, value: { kind: 'plan' } })
    expect(readAnyFile(BOOK, [])).toMatchObject({ ok: true, value: { kind: 'book' } })
    expect(readAnyFile(RECIPE, [])).toMatchObject({ ok: true, value: { kind: 'recipe' } })
    expect(readAnyFile(RECIPE.replace('price-recipe/1', 'price-recipe/2'), [])).toMatchObject({ ok: false })
    expect(readAnyFile(`\uFEFF${PLAN}`, books)).toMatchObject({ ok: true, value: { kind: 'plan' } })
  })

  test('a plan is held against the books at hand, and the missing one is named', () => {
    const read = readAnyFile(PLAN, [])
    expect(!read.ok && read.issues).toHaveLength(14)
    expect(!read.ok && read.issues[0]).toMatchObject({
      code: 'unknown-reference',
      pointer: '/machines/0/provider',
    })
    expect(!read.ok && read.issues[0].expected).toContain('import the price book of that provider first')
  })
})

describe('times of day as text', () => {
  test('are read as they were written', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2_880 }), (minutes) => {
        expect(parseClockTime(formatClockTime(minutes))).toBe(minutes)
      }),
      randomRuns(500),
    )
  })

  test.each(['24:01', '25:00', '8', '08:60', '-1:00', '08:00+2', ' 08:00'])('%j is none', (text) => {
    expect(parseClockTime(text)).toBeUndefined()
  })
})

test('the same data gives the same text, whatever the order of its keys', () => {
  const kind = (is: string, field: string) => ({
    is,
    then: Joi.object({ kind: Joi.valid(is), [field]: Joi.any(), last: Joi.any() }),
  })
  const schema = Joi.object({
    format: Joi.any(),
    name: Joi.any(),
    list: Joi.array().items(
      Joi.alternatives().conditional('.kind', { switch: [kind('one', 'b'), kind('two', 'a')] }),
    ),
    prices: Joi.object().pattern(Joi.string(), Joi.object({ one: Joi.any(), less: Joi.any() })),
  })
  const shuffled = {
    zulu: 1,
    name: 'a',
    prices: { '128': 2, '32': { less: 2, one: 1 }, east: 3 },
    format: 'x',
    alpha: 0,
    list: [
      { last: 1, a: 2, kind: 'two' },
      { b: 3, kind: 'one' },
    ],
  }
  const ordered = {
    format: 'x',
    name: 'a',
    list: [
      { kind: 'two', a: 2, last: 1 },
      { kind: 'one', b: 3 },
    ],
    prices: { '32': { one: 1, less: 2 }, '128': 2, east: 3 },
    alpha: 0,
    zulu: 1,
  }
  expect(stableJson<unknown>(schema, shuffled)).toBe(`${JSON.stringify(ordered, null, 2)}\n`)
  // Names without a letter are no numbers.
  expect(stableJson<unknown>(schema, { ' ': 0, '': 1 })).toBe(stableJson<unknown>(schema, { '': 1, ' ': 0 }))
  fc.assert(
    fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (data) => {
      const turned = Object.fromEntries(Object.entries(data).reverse())
      const text = stableJson<unknown>(schema, data)
      expect(stableJson<unknown>(schema, turned)).toBe(text)
      expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(data)))
    }),
    randomRuns(200),
  )
})

describe('issues', () => {
  const issue = { code: 'bad-value', pointer: '/a', problem: 'Found 1.', expected: 'two.' } as const

  test('name file, place, problem and what would do in one line', () => {
    expect(issueLine(issue, 'plan.json')).toBe('plan.json: /a: Found 1. Expected: two.')
    expect(issueLine({ ...issue, pointer: '' })).toBe('the whole file: Found 1. Expected: two.')
  })

  test('point with the escapes of RFC 6901, and quote briefly', () => {
    expect(pointerOf(['a/b', 0, 'c~d'])).toBe('/a~1b/0/c~0d')
    expect(excerpt('x'.repeat(99))).toHaveLength(46)
    expect(excerpt(Number.NaN)).toBe('NaN')
    expect(excerpt(undefined)).toBe('nothing')
  })

  test('a long list is cut, and says so', () => {
    const many = limited(Array.from({ length: 150 }, () => issue))
    expect(many).toHaveLength(101)
    expect(many.at(-1)!.problem).toBe('There are more problems than these 100.')
  })
})
