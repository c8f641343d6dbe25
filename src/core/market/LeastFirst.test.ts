import fc from 'fast-check'
import { expect, test } from 'vitest'
import { LeastFirst } from './LeastFirst.ts'
import { randomRuns } from '../testing/randomRuns.ts'

test('asked for in any order, positions stand as a sort has them', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 40 }), fc.nat(39), (values, rank) => {
      const sorted = values
        .map((value, at) => ({ value, at }))
        .toSorted((a, b) => a.value - b.value || a.at - b.at)
      const order = new LeastFirst(Float64Array.from(values))
      if (rank < values.length) expect(order.at(rank)).toBe(sorted[rank]!.at)
      expect(values.map((_, each) => order.at(each))).toEqual(sorted.map(({ at }) => at))
    }),
    randomRuns(200),
  )
})
