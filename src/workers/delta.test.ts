import fc from 'fast-check'
import { expect, test } from 'vitest'
import { applyDelta, deltaSince } from './delta.ts'
import { randomRuns } from '../core/testing/randomRuns.ts'

const machine = (name: string) => ({ name, disks: [{ room: 32 }] })
const MACHINES = Array.from({ length: 5_000 }, (_, i) => machine(`machine ${i}`))
const QUESTION = {
  plan: { name: 'p', machines: MACHINES, weeks: [{ id: 'w' }] },
  books: [{ id: 'b' }],
  month: 'March',
}

/** As it comes over: the earlier value on the other side is a copy. */
const across = (last: unknown, next: unknown): { there: unknown; before: unknown; bytes: number } => {
  const before = structuredClone(last)
  const delta = deltaSince(last, next)
  return { there: applyDelta(before, structuredClone(delta)), before, bytes: JSON.stringify(delta).length }
}

test('of a plan with one machine changed, that machine is sent, and all others are the very same there', () => {
  const machines = MACHINES.with(7, machine('other'))
  const next = { ...QUESTION, plan: { ...QUESTION.plan, machines } }
  const { there, before, bytes } = across(QUESTION, next)
  expect(there).toEqual(next)
  const [now, then] = [there, before] as [typeof QUESTION, typeof QUESTION]
  expect(now.books).toBe(then.books)
  expect(now.plan.weeks).toBe(then.plan.weeks)
  expect(now.plan.machines.filter((each, i) => each !== then.plan.machines[i])).toEqual([machine('other')])
  // Where each machine stands, and one machine.
  expect(bytes).toBeLessThan(JSON.stringify(MACHINES.map((_, i) => i)).length + 500)
})

test('of a price book with one price changed, its place’s sizes are named, and all other places are the very same there', () => {
  const sizes = Object.fromEntries(Array.from({ length: 700 }, (_, i) => [`size-${i}`, { perHour: '0.1' }]))
  const book: { id: string; prices: Record<string, unknown> } = {
    id: 'b',
    prices: Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`place-${i}`, { sizes: { ...sizes } }])),
  }
  const place = { sizes: { ...sizes, 'size-7': { perHour: '0.2' } } }
  const changed: typeof book = { ...book, prices: { ...book.prices, 'place-3': place } }
  const next = { ...QUESTION, books: [changed] }
  const { there, before, bytes } = across({ ...QUESTION, books: [book] }, next)
  expect(there).toEqual(next)
  const [now, then] = [there, before] as [typeof next, typeof next]
  expect(now.books[0]!.prices['place-4']).toBe(then.books[0]!.prices['place-4'])
  expect(bytes).toBeLessThan(JSON.stringify(book).length / 15)
})

test('entries may move, come, go and stand twice; fields may come and go', () => {
  const [a, b, c] = [machine('a'), machine('b'), machine('c')]
  const cases: [unknown, unknown][] = [
    [
      [a, b, c],
      [c, a],
    ],
    [
      [a, b],
      [b, b, a, machine('d')],
    ],
    [
      [1, 2, 'x', null],
      [2, 1, null, 'y', undefined],
    ],
    [
      { x: a, y: 1 },
      { y: 1, z: b },
    ],
    [{ x: [a] }, { x: { 0: a } }],
    [undefined, { x: 1 }],
    [new Map([[1, 2]]), new Map([[1, 3]])],
    [{ names: new Set(['a']) }, { names: new Set(['b']) }],
  ]
  for (const [last, next] of cases) expect(across(last, next).there).toEqual(next)
})

test('any value comes over as it is', () => {
  fc.assert(
    fc.property(fc.object({ maxDepth: 4 }), fc.object({ maxDepth: 4 }), (last, next) => {
      const mixed = { ...next, kept: last, list: [last, next, ...Object.values(last)] }
      expect(across({ ...last, list: Object.values(last) }, mixed).there).toEqual(mixed)
    }),
    randomRuns(200),
  )
})
