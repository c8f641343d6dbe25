import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { instant } from '../quantity/units.ts'
import { drainedInstead, drainPools, poolSteps, type Pool, type PoolUser } from './drainPools.ts'
import { allowanceEnd } from './sharedAccount.ts'
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

interface AnyPools {
  readonly pools: readonly Pool[]
  readonly users: readonly PoolUser[]
}

/** One to three pools, each user of some of them. */
const anyPools: fc.Arbitrary<AnyPools> = fc
  .record({
    pools: fc.array(
      fc.record({
        capacity: fc.integer({ min: 0, max: 300 }),
        until: fc.integer({ min: 1, max: 150 }).map(instant),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    users: fc.array(fc.tuple(anyUser, fc.integer({ min: 1, max: 7 })), { minLength: 1, maxLength: 4 }),
  })
  .map(({ pools, users }) => ({
    pools,
    users: users.flatMap(([{ weight, stays }, mask], order) => {
      const of = pools.flatMap((_, at) => ((mask >> at) & 1 ? [at] : []))
      if (of.length === 0) return []
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
      return [{ key: `user-${order}`, order, of, pieces: piecesLater(ticks, () => list) }]
    }),
  }))

/** Second by second, as one would with jugs: first what rounding adds to runs that end, then each user's second. */
function pourOut({ pools, users }: AnyPools): { free: number[][]; left: number[] } {
  const free = users.map(() => pools.map(() => 0))
  const left = pools.map(({ capacity }) => capacity)
  const pour = (user: number, wanted: number, isOpen: (until: number) => boolean): void => {
    let missing = wanted
    for (const of of users[user]!.of) {
      if (!isOpen(pools[of]!.until)) continue
      const taken = Math.min(left[of]!, missing)
      free[user]![of]! += taken
      left[of]! -= taken
      missing -= taken
    }
  }
  for (let second = 0; second <= 150; second += 1) {
    users.forEach(({ pieces }, user) =>
      pieces.list.forEach(({ to, added }) => {
        if (to === second) pour(user, added, (until) => second <= until)
      }),
    )
    users.forEach(({ pieces }, user) =>
      pieces.list.forEach(({ from, to, ticks, added }) => {
        if (from <= second && second < to)
          pour(user, (ticks - added) / (to - from), (until) => second < until)
      }),
    )
  }
  return { free, left }
}

const drained = ({ pools, users }: AnyPools) => drainPools(pools, poolSteps(users, pools))

describe('pools', () => {
  test('give each what it gets when they are poured out second by second', () => {
    fc.assert(
      fc.property(anyPools, (any) => {
        const { free, usedUpAt } = drained(any)
        const poured = pourOut(any)
        const nothing = any.pools.map(() => 0)
        expect(any.users.map(({ key }) => free.get(key) ?? nothing)).toEqual(poured.free)
        any.pools.forEach(({ capacity }, at) =>
          expect(usedUpAt[at] !== undefined).toBe(capacity > 0 && poured.left[at] === 0),
        )
      }),
      randomRuns(800),
    )
  })

  test('are empty with their last full second, or one later, in which who stands first is served first', () => {
    const user = (order: number, perSecond: number): PoolUser => {
      const piece: Piece = {
        from: instant(0),
        to: instant(10),
        state: 'running',
        ticks: 10 * perSecond,
        added: 0,
      }
      return { key: `user-${order}`, order, of: [0], pieces: piecesLater(piece.ticks, () => [piece]) }
    }
    const of = (...capacities: number[]): AnyPools => ({
      pools: capacities.map((capacity) => ({ capacity, until: instant(10) })),
      users: [user(1, 3), user(0, 2)].map((each) => ({ ...each, of: capacities.map((_, at) => at) })),
    })
    const { free, usedUpAt } = drained(of(12))
    expect([usedUpAt, free.get('user-0'), free.get('user-1')]).toEqual([[3], [6], [6]])
    expect(drained(of(10)).usedUpAt).toEqual([2])
    expect(drained(of(11)).usedUpAt).toEqual([3])
    expect(drained(of(51)).usedUpAt).toEqual([undefined])
    // The third second takes the 2 left of the first pool for who is first and 3 of the second; the fourth its last 1.
    expect(drained(of(12, 4)).free).toEqual(
      new Map([
        ['user-0', [6, 1]],
        ['user-1', [6, 3]],
      ]),
    )
  })

  test('with others in place of some, give these what they have when all use them from the start', () => {
    fc.assert(
      fc.property(
        anyPools,
        fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }),
        ({ pools, users }, goes) => {
          const gone = users.filter((_, i) => goes[i])
          const kept = users.filter((_, i) => !goes[i])
          // Those that go give their pieces to others of other names, in their places.
          const fresh = gone.map((user) => ({ ...user, key: `${user.key} again` }))
          const before = poolSteps([...gone, ...kept], pools)
          const instead = drainedInstead(pools, before, new Set(gone), fresh)
          const whole = drained({ pools, users: [...fresh, ...kept].sort((a, b) => a.order - b.order) })
          expect(instead.usedUpAt).toEqual(whole.usedUpAt)
          for (const { key } of fresh) expect(instead.free.get(key)).toEqual(whole.free.get(key))
        },
      ),
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
