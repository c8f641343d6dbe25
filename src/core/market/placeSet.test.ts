import fc from 'fast-check'
import { expect, test } from 'vitest'
import { finish } from '../finish.ts'
import { cheapestPlaceSet, type PlaceCosts } from './placeSet.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const anyCosts: fc.Arbitrary<PlaceCosts> = fc
  .record({ machines: fc.integer({ min: 1, max: 5 }), places: fc.integer({ min: 1, max: 7 }) })
  .chain(({ machines, places }) =>
    fc.record({
      costs: fc.array(
        fc.array(fc.oneof(fc.integer({ min: 1, max: 60 }), fc.constant(Infinity)), {
          minLength: places,
          maxLength: places,
        }),
        { minLength: machines, maxLength: machines },
      ),
      providers: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: places, maxLength: places }),
      held: fc.subarray([...Array(places).keys()], { maxLength: 1 }),
    }),
  )
  .map(({ costs, ...rest }) => ({ costs: costs.map((each) => Float64Array.from(each)), ...rest }))

/** Every set of places, one by one. */
function exhaustive(
  { costs, providers, held }: PlaceCosts,
  most: { providers: number; places: number },
): number {
  let best = Infinity
  for (let set = 0; set < 2 ** providers.length; set += 1) {
    const places = [...providers.keys()].filter((place) => set & (1 << place))
    const sellers = new Set(places.map((place) => providers[place]))
    if (places.length > most.places || sellers.size > most.providers) continue
    if (!held.every((place) => places.includes(place))) continue
    const cost = costs.reduce((sum, of) => sum + Math.min(...places.map((place) => of[place]!), Infinity), 0)
    if (cost < best) best = cost
  }
  return best
}

test('is what looking at every set finds, whatever must be in it', () => {
  fc.assert(
    fc.property(
      anyCosts,
      fc.integer({ min: 1, max: 3 }),
      fc.integer({ min: 1, max: 4 }),
      (costs, providers, places) => {
        const limits = { providers, places }
        const found = finish(cheapestPlaceSet(costs, limits))
        const expected = exhaustive(costs, limits)
        expect(found?.cost ?? Infinity).toBe(expected)
        if (found && expected < Infinity) {
          expect(found.places.length).toBeLessThanOrEqual(places)
          const cost = costs.costs.reduce(
            (sum, of) => sum + Math.min(...found.places.map((place) => of[place]!)),
            0,
          )
          expect(cost).toBe(expected)
        }
      },
    ),
    randomRuns(200),
  )
})

test('of five hundred places, two for a hundred machines are found, and told of on the way', () => {
  const places = 500
  const costs = Array.from({ length: 100 }, (_, machine) =>
    Float64Array.from(
      { length: places },
      (_, place) => 20 + ((machine * 7919 + place * 104_729) % 1_000) / 10,
    ),
  )
  const providers = Array.from({ length: places }, (_, place) => place % 5)
  const steps = cheapestPlaceSet({ costs, providers, held: [] }, { providers: 2, places: 2 })
  const found = finish(steps)!
  expect(found.places).toHaveLength(2)
  const sums = found.places.map((place) => costs.reduce((sum, of) => sum + of[place]!, 0))
  expect(found.cost).toBeLessThan(Math.min(...sums))
})
