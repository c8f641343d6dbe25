import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compare, exact, sign, toNumber } from '../../core/quantity/exact.ts'
import { costAxis, reachOf } from '../../core/notches/costAxis.ts'
import { clusterNotches } from './clusterNotches.ts'
import type { Notch, Plate } from '../../core/notches/plate.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

const notch = (cents: number, i: number, isPresent: boolean): Notch => ({
  key: `choice-${i}`,
  choice: { decision: 'size', size: `choice-${i}` },
  isPresent,
  total: { n: BigInt(cents + 1_000_000), d: 100n },
  difference: { n: BigInt(cents), d: 100n },
  reasons: [],
})

const plateOf = (cents: readonly number[]): Plate => {
  const notches = [...cents, 0].map((value, i) => notch(value, i, i === cents.length))
  notches.sort((a, b) => compare(a.difference!, b.difference!))
  return {
    id: 'size',
    decision: 'size',
    fold: undefined,
    notches,
    present: notches.findIndex(({ isPresent }) => isPresent),
  }
}

const anyCents = fc.array(fc.integer({ min: -9_000, max: 400_000 }), { maxLength: 60 })

describe('choices laid on the axis', () => {
  test('none is lost, none overlaps another, and each stands on its side of the line', () => {
    fc.assert(
      fc.property(
        anyCents,
        fc.constantFrom(26, 44),
        fc.integer({ min: 320, max: 900 }),
        (cents, gap, width) => {
          const plate = plateOf(cents)
          const axis = costAxis(reachOf([plate]), width)
          const clusters = clusterNotches(plate, axis, gap)
          expect(clusters.flatMap(({ notches }) => notches)).toHaveLength(plate.notches.length)
          clusters.forEach((cluster, i) => {
            if (i > 0) expect(cluster.x - clusters[i - 1]!.x).toBeGreaterThanOrEqual(gap - 1e-9)
            expect(cluster.x).toBeGreaterThanOrEqual(gap / 2 - 1e-9)
            expect(cluster.x).toBeLessThanOrEqual(width - gap / 2 + 1e-9)
            const side = Math.sign(Math.round((cluster.x - axis.line) * 1e6))
            for (const { difference } of cluster.notches) expect(sign(difference!)).toBe(side)
          })
        },
      ),
      randomRuns(300),
    )
  })

  test('choices at the present price stand with the present one', () => {
    const clusters = clusterNotches(plateOf([0, 0, 500]), costAxis(reachOf([plateOf([500])]), 600), 26)
    expect(clusters.map(({ isPresent, notches }) => [isPresent, notches.length])).toEqual([
      [true, 3],
      [false, 1],
    ])
  })
})

test('the axis keeps its order, and its ticks stand apart', () => {
  const axis = costAxis(reachOf([plateOf([-5_000, -20, 30, 90_000])]), 600)
  const xs = [-50, -0.2, 0, 0.3, 900].map(axis.x)
  expect([...xs].sort((a, b) => a - b)).toEqual(xs)
  expect(axis.x(0)).toBe(axis.line)
  axis.ticks.forEach(({ difference, x }) => {
    expect(x).toBeCloseTo(axis.x(difference))
    expect(Math.abs(x - axis.line)).toBeGreaterThan(34)
  })
  expect(toNumber(exact(1))).toBe(1)
})

test('the axis reaches to a round figure, so that it stays as it is from notch to notch', () => {
  const reach = reachOf([plateOf([-5_120, 90_000])])
  expect(reach).toEqual({ cheaper: 70, dearer: 1_000 })
  expect(reachOf([plateOf([-6_900, 71_000])])).toEqual(reach)
  expect(reachOf([plateOf([])])).toEqual({ cheaper: 0, dearer: 0 })
})
