import fc from 'fast-check'
import { expect, test } from 'vitest'
import { fieldCells } from './fieldCells.ts'
import { randomRuns } from '../testing/randomRuns.ts'

/** One lane after another, each of one size, as far away as its point says. */
const field = (points: readonly (readonly [number, number])[]) => ({
  questions: [],
  measure: 'round-trip' as const,
  lanes: points.map(([, measured], start) => ({
    seller: 0,
    region: start,
    terms: 0,
    start,
    least: points[start]![0],
    measured,
    isInReach: true,
  })),
  sizes: [Int32Array.of(0)],
  costs: Float64Array.from(points, ([cost]) => cost),
})

const anyEdges = fc
  .uniqueArray(fc.integer({ min: 0, max: 40 }), { minLength: 2, maxLength: 8 })
  .map((edges) => edges.toSorted((a, b) => a - b))

test('every offer within the window is in one cell, and each cell knows its cheapest', () => {
  const anyPoints = fc.array(fc.tuple(fc.integer({ min: -3, max: 45 }), fc.integer({ min: 1, max: 45 })), {
    maxLength: 60,
  })
  fc.assert(
    fc.property(anyPoints, anyEdges, anyEdges, (points, costs, measured) => {
      const cells = fieldCells(field(points), { costs, measured })
      const inside = points.filter(
        ([cost, value]) =>
          cost >= costs[0]! && cost <= costs.at(-1)! && value >= measured[0]! && value <= measured.at(-1)!,
      )
      expect(cells.reduce((sum, { count }) => sum + count, 0)).toBe(inside.length)
      for (const { column, row, lane, count } of cells) {
        const isLast = column === costs.length - 2
        const own = inside.filter(
          ([cost, value]) =>
            cost >= costs[column]! &&
            (cost < costs[column + 1]! || (isLast && cost === costs[column + 1]!)) &&
            value >= measured[row]! &&
            (value < measured[row + 1]! || (row === measured.length - 2 && value === measured[row + 1]!)),
        )
        expect(own).toHaveLength(count)
        expect(points[lane.start]![0]).toBe(Math.min(...own.map(([cost]) => cost)))
      }
    }),
    randomRuns(200),
  )
})

test('what has no measure stands nowhere', () => {
  expect(fieldCells(field([[1, NaN]]), { costs: [0, 2], measured: [0, 2] })).toEqual([])
})
