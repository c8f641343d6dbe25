import fc from 'fast-check'
import { expect, test } from 'vitest'
import { randomRuns } from '../testing/randomRuns.ts'
import { cheapestTogether, type TogetherOption } from './cheapestTogether.ts'

/** Ways with a price and hours that are free of it while the pool lasts; the first machines are served first. */
interface Way {
  readonly full: number
  readonly wanted: number
}

const anyShared = fc.record({
  pool: fc.integer({ min: 0, max: 60 }),
  machines: fc.array(
    fc.array(fc.record({ full: fc.integer({ min: 1, max: 50 }), wanted: fc.integer({ min: 0, max: 50 }) }), {
      minLength: 1,
      maxLength: 4,
    }),
    { minLength: 1, maxLength: 4 },
  ),
})

const priceOf =
  (pool: number) =>
  (ways: readonly Way[]): number => {
    let left = pool
    return ways.reduce((sum, { full, wanted }) => {
      const free = Math.min(left, wanted, full)
      left -= free
      return sum + full - free
    }, 0)
  }

const optionsOf = (pool: number, machines: readonly (readonly Way[])[]): TogetherOption<Way>[][] =>
  machines.map((ways) =>
    ways.map((way) => ({ way, least: way.full - Math.min(pool, way.wanted, way.full), most: way.full })),
  )

const every = (machines: readonly (readonly Way[])[]): Way[][] =>
  machines.reduce<Way[][]>((all, ways) => all.flatMap((some) => ways.map((way) => [...some, way])), [[]])

test('is the cheapest of all ways, or is said not to be sure and is no dearer than each alone', () => {
  fc.assert(
    fc.property(anyShared, fc.integer({ min: 2, max: 300 }), ({ pool, machines }, most) => {
      const price = priceOf(pool)
      const found = cheapestTogether(optionsOf(pool, machines), price, most)!
      const least = Math.min(...every(machines).map(price))
      expect(found.cost).toBe(price(found.ways))
      if (found.isExact) expect(found.cost).toBe(least)
      else expect(found.cost).toBeGreaterThanOrEqual(least)
      const alone = machines.map((ways) => ways.reduce((low, way) => (way.full < low.full ? way : low)))
      expect(found.cost).toBeLessThanOrEqual(price(alone))
      if (most === 300) expect(found.isExact).toBe(true)
    }),
    randomRuns(400),
  )
})

test('there is none where one machine has no way to be', () => {
  expect(cheapestTogether([[], [{ way: 'a', least: 1, most: 1 }]], () => 0, 10)).toBeUndefined()
})
