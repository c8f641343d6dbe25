import fc from 'fast-check'
import { expect, test } from 'vitest'
import { apartSeating, type ApartSeats } from './apartSeating.ts'
import { cheapestSeating, UNSEATED } from './seating.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const anySeats: fc.Arbitrary<ApartSeats> = fc
  .record({ machines: fc.integer({ min: 1, max: 4 }), zones: fc.integer({ min: 1, max: 5 }) })
  .chain(({ machines, zones }) =>
    fc.record({
      costs: fc.array(
        fc
          .array(fc.oneof(fc.integer({ min: 1, max: 60 }), fc.constant(Infinity)), {
            minLength: zones,
            maxLength: zones,
          })
          .map((each) => Float64Array.from(each)),
        { minLength: machines, maxLength: machines },
      ),
      sharesNothing: fc.array(fc.boolean(), { minLength: machines, maxLength: machines }),
      places: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: zones, maxLength: zones }),
      room: fc.array(fc.constantFrom(0, 1, 2, Infinity), { minLength: zones, maxLength: zones }),
      taken: fc.subarray([0, 1, 2], { maxLength: 1 }).map((places) => new Set(places)),
    }),
  )

/** What a seating costs that keeps to the group; undefined where it does not. */
function costOf(asked: ApartSeats, seats: readonly number[], among: ReadonlySet<number>): number | undefined {
  const { costs, sharesNothing, places, room, taken } = asked
  let cost = 0
  for (const [machine, zone] of seats.entries()) {
    if (zone === -1) {
      cost += UNSEATED
      continue
    }
    const place = places[zone]!
    const inZone = seats.filter((other) => other === zone).length
    const inPlace = seats.filter((other) => other !== -1 && places[other] === place).length
    if (!among.has(place) || inZone > room[zone]!) return undefined
    if (sharesNothing[machine] && (inPlace > 1 || taken.has(place))) return undefined
    cost += costs[machine]![zone]!
  }
  return cost < Infinity ? cost : undefined
}

/** Every seat for every machine, and none. */
function exhaustive(asked: ApartSeats, among: ReadonlySet<number>): number {
  let best = Infinity
  const seats: number[] = []
  const extend = (): void => {
    if (seats.length === asked.costs.length) {
      best = Math.min(best, costOf(asked, seats, among) ?? Infinity)
      return
    }
    for (let zone = -1; zone < asked.places.length; zone += 1) {
      seats.push(zone)
      extend()
      seats.pop()
    }
  }
  extend()
  return best
}

test('is what trying every zone for every machine finds', () => {
  let withoutSeat = 0
  fc.assert(
    fc.property(anySeats, fc.subarray([0, 1, 2]), (asked, chosen) => {
      const among = new Set(chosen)
      const { seats, cost } = apartSeating(asked, among)
      expect(cost).toBe(exhaustive(asked, among))
      expect(costOf(asked, [...seats], among)).toBe(cost)
      if (cost >= UNSEATED) withoutSeat += 1
    }),
    randomRuns(200),
  )
  expect(withoutSeat).toBeGreaterThan(0)
})

test('one that sits makes way where that is cheaper for both', () => {
  // The first takes the cheap seat; the second can sit there alone.
  const costs = [Float64Array.of(10, 12), Float64Array.of(10, Infinity)]
  expect(cheapestSeating({ costs, room: [1, 1] })).toEqual({ seats: Int32Array.of(1, 0), cost: 22 })
})

test('eighty machines on twelve seats are as many to a seat as it takes', () => {
  const costs = Array.from({ length: 80 }, () => Float64Array.from({ length: 12 }, (_, seat) => 5 + seat))
  const { seats, cost } = cheapestSeating({ costs, room: Array<number>(12).fill(7) })
  const counts = Array.from({ length: 12 }, (_, seat) => seats.filter((each) => each === seat).length)
  expect(counts).toEqual([7, 7, 7, 7, 7, 7, 7, 7, 7, 7, 7, 3])
  expect(cost).toBe(counts.reduce((sum, count, seat) => sum + count * (5 + seat), 0))
})
