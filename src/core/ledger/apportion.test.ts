import fc from 'fast-check'
import { expect, test } from 'vitest'
import { roundToUnits } from '../quantity/decimal.ts'
import { add, toNumber, ZERO, type Exact } from '../quantity/exact.ts'
import { Apportioned } from './apportion.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const amount: fc.Arbitrary<Exact> = fc.oneof(
  fc.constant(ZERO),
  fc.integer({ min: 1, max: 400_000 }).map((n) => ({ n: BigInt(n), d: 90_000n })),
)
const sum = (amounts: readonly Exact[]): Exact => amounts.reduce(add, ZERO)

test('lines are steps of their running sums, nothing is below zero, and columns are near what they are', () => {
  const table = fc.integer({ min: 1, max: 12 }).chain((columns) =>
    fc.array(fc.array(fc.array(amount, { maxLength: 3 }), { minLength: columns, maxLength: columns }), {
      minLength: 1,
      maxLength: 8,
    }),
  )
  fc.assert(
    fc.property(table, (lines) => {
      const columns = lines[0]!.length
      const apportioned = new Apportioned(columns, 2)
      let all = ZERO
      let before = 0n
      const shownIn = Array<number>(columns).fill(0)
      for (const line of lines) {
        const shown = apportioned.line(line)
        expect(shown.map((cell) => cell.length)).toEqual(line.map((cell) => cell.length))
        all = add(all, sum(line.flat()))
        const due = line.flat().length > 0 ? roundToUnits(all, 2) : before
        const total = shown.flat().reduce((a, b) => a + b, 0)
        expect(total).toBe(Number(due - before))
        expect(shown.flat().every((piece) => piece >= 0)).toBe(true)
        before = due
        shown.forEach((cell, i) => (shownIn[i]! += cell.reduce((a, b) => a + b, 0)))
      }
      shownIn.forEach((units, i) => {
        const exact = toNumber(sum(lines.flatMap((line) => line[i]!))) * 100
        expect(Math.abs(units - exact)).toBeLessThanOrEqual(1 + lines.length / 2)
      })
    }),
    randomRuns(400),
  )
})

test('days that cost the same read the same to within a cent, as in a month of equal days', () => {
  const apportioned = new Apportioned(31, 2)
  const each = (n: bigint) => Array.from({ length: 31 }, () => [{ n, d: 10_000n }])
  const shown = [10_340n, 1_629n, 177n, 42n].map((n) => apportioned.line(each(n)))
  const days = Array.from({ length: 31 }, (_, day) => shown.reduce((all, line) => all + line[day]![0]!, 0))
  // 1.2188 a day.
  expect(new Set(days)).toEqual(new Set([121, 122, 123].filter((units) => days.includes(units))))
  expect(Math.max(...days) - Math.min(...days)).toBeLessThanOrEqual(1)
})
