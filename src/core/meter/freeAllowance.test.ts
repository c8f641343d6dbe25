import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { instant } from '../quantity/units.ts'
import { allowanceEnd, drainedInstead, drainPool, poolSteps, type Pool } from './freeAllowance.ts'
import { piecesLater, type Piece } from './pieces.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const anyUser = fc.record({
  weight: fc.integer({ min: 1, max: 5 }),
  stays: fc.array(
    fc.record({
      gap: fc.integer({ min: 0, max: 20 }),
      length: fc.integer({ min: 1, max: 30 }),
      rounding: fc.constantFrom(0, 0, 4),
    }),
    { maxLength: 5 },
  ),
})

const anyPool: fc.Arbitrary<Pool> = fc
  .record({
    capacity: fc.integer({ min: 0, max: 300 }),
    until: fc.integer({ min: 1, max: 150 }).map(instant),
    users: fc.array(anyUser, { minLength: 1, maxLength: 4 }),
  })
  .map(({ capacity, until, users }) => ({
    capacity,
    until,
    users: users.map(({ weight, stays }, order) => {
      let at = 0
      const list = stays.map(({ gap, length, rounding }): Piece => {
        const from = at + gap
        at = from + length
        const added = rounding * weight
        return {
          from: instant(from),
          to: instant(at),
          state: 'running',
          ticks: length * weight + added,
          added,
        }
      })
      const ticks = list.reduce((sum, piece) => sum + piece.ticks, 0)
      return { key: `user-${order}`, order, pieces: piecesLater(ticks, () => list) }
    }),
  }))

/** Second by second, as one would with a jug: first what rounding adds to runs that end, then each user's second. */
function pourOut({ capacity, until, users }: Pool): number[] {
  const free = users.map(() => 0)
  let left = capacity
  const pour = (user: number, wanted: number): void => {
    const taken = Math.min(left, wanted)
    free[user]! += taken
    left -= taken
  }
  for (let second = 0; second <= until; second += 1) {
    users.forEach(({ pieces }, user) =>
      pieces.list.forEach(({ from, to, added }) => {
        if (to === second && from < until) pour(user, added)
      }),
    )
    if (second === until) break
    users.forEach(({ pieces }, user) =>
      pieces.list.forEach(({ from, to, ticks, added }) => {
        if (from <= second && second < to) pour(user, (ticks - added) / (to - from))
      }),
    )
  }
  return free
}

describe('a pool', () => {
  test('gives each what it gets when it is poured out second by second', () => {
    fc.assert(
      fc.property(anyPool, (pool) => {
        const { free } = drainPool(pool, poolSteps(pool))
        expect(pool.users.map(({ key }) => free.get(key) ?? 0)).toEqual(pourOut(pool))
      }),
      randomRuns(500),
    )
  })

  test('is empty with its last full second, or one later, in which who stands first is served first', () => {
    const user = (order: number, perSecond: number) => {
      const piece: Piece = {
        from: instant(0),
        to: instant(10),
        state: 'running',
        ticks: 10 * perSecond,
        added: 0,
      }
      return { key: `user-${order}`, order, pieces: piecesLater(piece.ticks, () => [piece]) }
    }
    const pool = { capacity: 12, until: instant(10), users: [user(1, 3), user(0, 2)] }
    const { free, usedUpAt } = drainPool(pool, poolSteps(pool))
    expect([usedUpAt, free.get('user-0'), free.get('user-1')]).toEqual([3, 6, 6])
    expect(drainPool({ capacity: 10 }, poolSteps(pool)).usedUpAt).toBe(2)
    expect(drainPool({ capacity: 11 }, poolSteps(pool)).usedUpAt).toBe(3)
    expect(drainPool({ capacity: 51 }, poolSteps(pool)).usedUpAt).toBeUndefined()
  })

  test('never gives more than it holds, and says when it is empty', () => {
    fc.assert(
      fc.property(anyPool, (pool) => {
        const { free, usedUpAt } = drainPool(pool, poolSteps(pool))
        const given = [...free.values()].reduce((sum, ticks) => sum + ticks, 0)
        expect(given).toBeLessThanOrEqual(pool.capacity)
        if (usedUpAt !== undefined) expect(given).toBe(pool.capacity)
        else
          for (const { key, pieces } of pool.users)
            expect(free.get(key) ?? 0).toBeLessThanOrEqual(pieces.ticks)
      }),
      randomRuns(300),
    )
  })

  test('with others in place of some, gives these what they have when all use it from the start', () => {
    fc.assert(
      fc.property(anyPool, fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }), (pool, goes) => {
        const gone = pool.users.filter((_, i) => goes[i])
        const kept = pool.users.filter((_, i) => !goes[i])
        // Those that go give their pieces to others of other names, in their places.
        const fresh = gone.map((user) => ({ ...user, key: `${user.key} again` }))
        const before = poolSteps({ ...pool, users: [...gone, ...kept] })
        const instead = drainedInstead(pool, before, new Set(gone), fresh)
        const anew = { ...pool, users: [...fresh, ...kept].sort((a, b) => a.order - b.order) }
        const whole = drainPool(anew, poolSteps(anew))
        expect(instead.usedUpAt).toBe(whole.usedUpAt)
        for (const { key } of fresh) expect(instead.free.get(key) ?? 0).toBe(whole.free.get(key) ?? 0)
      }),
      randomRuns(500),
    )
  })
})

test('an allowance ends with its last day in the billing zone, or with the month', () => {
  const march = billingMonth('2027-03' as YearMonth, 'America/Halifax')
  // Halifax is four hours behind until 14 March, then three.
  expect(allowanceEnd('2027-03-10', 'America/Halifax', march)).toBe(Date.parse('2027-03-11T04:00Z') / 1_000)
  expect(allowanceEnd('2027-03-20', 'America/Halifax', march)).toBe(Date.parse('2027-03-21T03:00Z') / 1_000)
  expect(allowanceEnd('2027-12-31', 'America/Halifax', march)).toBe(march.to)
})
