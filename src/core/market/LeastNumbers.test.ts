import fc from 'fast-check'
import { expect, test } from 'vitest'
import { LeastNumbers } from './LeastNumbers.ts'
import { randomRuns } from '../testing/randomRuns.ts'

test('the limit is the dearest of the least, and Infinity while there are fewer', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -50, max: 50 }), { maxLength: 80 }),
      fc.integer({ min: 1, max: 9 }),
      (values, most) => {
        const least = new LeastNumbers(most)
        for (const value of values) least.take(value)
        const expected = values.toSorted((a, b) => a - b)[most - 1]
        expect(least.limit).toBe(expected ?? Infinity)
      },
    ),
    randomRuns(300),
  )
})
