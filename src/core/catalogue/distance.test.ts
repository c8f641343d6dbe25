import fc from 'fast-check'
import { expect, test } from 'vitest'
import { circleAround, distanceKm, estimatedRoundTripMs, kmWithin } from './distance.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const anyPoint = fc.record({
  latitude: fc.double({ min: -89, max: 89, noNaN: true }),
  longitude: fc.double({ min: -180, max: 180, noNaN: true }),
})

test('a circle is as far away all around, and its round trip is the one that it was drawn for', () => {
  fc.assert(
    fc.property(anyPoint, fc.integer({ min: 10, max: 200 }), (point, milliseconds) => {
      const km = kmWithin(milliseconds) - 1e-6
      for (const each of circleAround(point, km, 12)) {
        expect(distanceKm(point, each)).toBeCloseTo(km, 3)
        expect(each.longitude).toBeGreaterThanOrEqual(-180)
        expect(each.longitude).toBeLessThan(180.0001)
      }
      expect(estimatedRoundTripMs(km)).toBe(milliseconds)
      expect(estimatedRoundTripMs(km + 1)).toBe(milliseconds + 1)
    }),
    randomRuns(100),
  )
  expect(kmWithin(2)).toBe(0)
})
