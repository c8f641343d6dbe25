import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { beyondBounds, MOST_ENTRIES, MOST_LEVELS } from './reading/jsonBounds.ts'
import { readAnyFile } from './readAnyFile.ts'
import { valueBeyondBounds } from './reading/valueBounds.ts'
import { randomRuns } from '../core/testing/randomRuns.ts'

const plan = JSON.parse(readFileSync('data/larkspur-trams.json', 'utf8')) as { machines: object[] }
const book = JSON.parse(readFileSync('data/fennmark.json', 'utf8')) as { prices: Record<string, object> }
const numbered = (count: number, value: unknown) =>
  Object.fromEntries(Array.from({ length: count }, (_, i) => [`key-${i}`, value]))

/** Spies on nothing and waits for nothing: what is counted is how many problems are looked for. */
const refusal = (file: unknown) => {
  const read = readAnyFile(typeof file === 'string' ? file : JSON.stringify(file), [])
  if (read.ok) throw new Error('it was accepted')
  return read.issues
}

test.each<[string, unknown, string]>([
  ['300,000 empty objects', { ...plan, machines: Array(300_000).fill({}) }, '/machines'],
  ['a million unknown keys', { ...plan, ...numbered(1_000_000, 1) }, ''],
  ['unknown keys of a machine', { ...plan, machines: [numbered(6_000, 1)] }, '/machines/0'],
  [
    'a price for every grain of sand',
    { ...book, prices: { porto: { ...book.prices.porto, sizes: numbered(5_001, {}) } } },
    '/prices/porto/sizes',
  ],
])('%s are refused before they are looked at', (_, file, pointer) => {
  const issues = refusal(file)
  expect(issues.map((issue) => [issue.pointer, issue.problem])).toEqual([
    [pointer, 'Found more than 5,000 entries.'],
  ])
})

test.each([
  ['lists', '['.repeat(100_000) + ']'.repeat(100_000)],
  ['maps', '{"a":'.repeat(100_000) + '1' + '}'.repeat(100_000)],
])('a hundred thousand levels of %s are refused', (_, nested) => {
  const [issue] = refusal(`{"format":"notchgauge/plan/1","machines":${nested}}`)
  expect([issue.pointer.slice(0, 9), issue.problem]).toEqual([
    '/machines',
    'Nested more than 32 levels deep.',
  ])
})

test('problems are looked for until there are more than are listed', () => {
  for (const machines of [Array(5_000).fill({}), Array(500).fill(numbered(4_000, 1))]) {
    const issues = refusal({ ...plan, machines })
    expect([issues.length, issues.at(-1)!.problem]).toEqual([101, 'There are more problems than these 100.'])
    expect(issues[0].pointer).toMatch(/^\/machines\/0\//)
  }
})

test('few problems are all found, wherever they are', () => {
  const machines = plan.machines.map((machine, i) => (i === 3 ? { ...machine, off: 'asleep' } : machine))
  const pointers = refusal({ ...plan, machines, more: 1, month: 'May' }).map(({ pointer }) => pointer)
  expect(pointers.toSorted()).toEqual(['/machines/3/off', '/month', '/more'])
})

test.each(['null', '[null]', '[1]', '[[]]', '[{}, null]'])('machines that are %s are refused', (machines) => {
  const text = JSON.stringify({ ...plan, machines: '?' }).replace('"?"', machines)
  expect(refusal(text).every(({ pointer }) => pointer.startsWith('/machines'))).toBe(true)
})

test('a circle of five thousand withdrawn sizes is said in few words', () => {
  const ring = Object.fromEntries(
    Array.from({ length: 5_000 }, (_, i) => [`old-${i}`, `old-${(i + 1) % 5_000}`]),
  )
  const [issue] = refusal({ ...book, replacedSizes: ring })
  expect(issue.problem).toBe('It leads in a circle: old-0, old-1, old-2, old-3, old-4, old-5, …, old-0.')
})

test('text and value have the same bounds, whatever is written in strings', () => {
  const wide = fc.constantFrom(MOST_ENTRIES, MOST_ENTRIES + 1)
  const deep = fc.constantFrom(MOST_LEVELS - 1, MOST_LEVELS)
  const strings = fc.array(fc.constantFrom('"', '\\', '[', '{', ',', '}', 'a', '\\"'), { maxLength: 6 })
  fc.assert(
    fc.property(
      fc.jsonValue(),
      wide,
      deep,
      strings,
      fc.boolean(),
      (value, entries, levels, parts, spaced) => {
        let nested: unknown = value
        for (let i = 0; i < levels - 4; i += 1) nested = i % 2 ? [nested] : { [parts.join('')]: nested }
        const whole = [parts.join(''), nested, Array(entries).fill(0)]
        const text = JSON.stringify(whole, null, spaced ? 1 : undefined)
        // Which of several is met first is not said.
        expect(beyondBounds(text) === undefined).toBe(valueBeyondBounds(JSON.parse(text)) === undefined)
      },
    ),
    randomRuns(20),
  )
})
