import { endOfDate, type BillingMonth } from '../calendar/billingMonth.ts'
import { instant, type Instant } from '../quantity/units.ts'
import type { Pieces } from './pieces.ts'

/** Something that uses a pool: a machine's hours, or one of its disks. */
export interface PoolUser {
  readonly key: string
  /** In the last second of a pool, who stands first in the plan is served first. */
  readonly order: number
  readonly pieces: Pieces
}

/** A free allowance in one month, in ticks, with all that use it. */
export interface Pool {
  readonly capacity: number
  /** Free use ends here. */
  readonly until: Instant
  readonly users: readonly PoolUser[]
}

export interface Drained {
  /** Free ticks of each user that has any, by key; each user's first ones in time. */
  readonly free: ReadonlyMap<string, number>
  /** When nothing was left; undefined where something is. */
  readonly usedUpAt: Instant | undefined
}

/** A piece begins (1), or ends (0) and uses what rounding added. Ends come before beginnings of the same instant. */
export interface PoolStep {
  readonly at: number
  readonly begins: 0 | 1
  readonly user: PoolUser
  readonly perSecond: number
  readonly jump: number
}

const compareSteps = (a: PoolStep, b: PoolStep): number =>
  a.at - b.at || a.begins - b.begins || a.user.order - b.user.order

function stepsOf(user: PoolUser, until: Instant): PoolStep[] {
  const steps: PoolStep[] = []
  for (const { from, to, ticks, added } of user.pieces.list) {
    if (from >= until) break
    const perSecond = (ticks - added) / (to - from)
    steps.push({ at: from, begins: 1, user, perSecond, jump: 0 })
    steps.push({ at: Math.min(to, until), begins: 0, user, perSecond, jump: to <= until ? added : 0 })
  }
  return steps
}

/** When users begin and end, in time order. O(pieces × log pieces). */
export const poolSteps = ({ users, until }: Pick<Pool, 'users' | 'until'>): readonly PoolStep[] =>
  users.flatMap((user) => stepsOf(user, until)).sort(compareSteps)

/** Steps of a pool without those of some users, and with those of others in their place; no further than is asked. */
function* inPlaceOf(
  steps: readonly PoolStep[],
  without: ReadonlySet<string>,
  own: readonly PoolStep[],
): Generator<PoolStep> {
  let next = 0
  for (const step of steps) {
    if (without.has(step.user.key)) continue
    for (; next < own.length && compareSteps(own[next]!, step) <= 0; next += 1) yield own[next]!
    yield step
  }
  for (; next < own.length; next += 1) yield own[next]!
}

/**
 * The pool with other users in place of some: of a pool that is soon used up, only the first steps are looked at.
 * `steps` are those of the pool as it is. O(steps until it is used up).
 */
export const drainedInstead = (
  pool: Omit<Pool, 'users'>,
  steps: readonly PoolStep[],
  without: ReadonlySet<string>,
  users: readonly PoolUser[],
): Drained => drainPool(pool, inPlaceOf(steps, without, poolSteps({ users, until: pool.until })))

/**
 * Uses a pool in time order. A second that the pool cannot cover for all who use it is covered in the order of the
 * plan. O(pieces) once they are in order.
 */
export function drainPool({ capacity }: Pick<Pool, 'capacity'>, steps: Iterable<PoolStep>): Drained {
  const free = new Map<string, number>()
  const active = new Map<PoolUser, { since: number; perSecond: number }>()
  const use = (user: PoolUser, ticks: number): void => {
    free.set(user.key, (free.get(user.key) ?? 0) + ticks)
  }
  let used = 0
  let rate = 0
  let last = -Infinity
  for (const { at, begins, user, perSecond, jump } of steps) {
    if (rate > 0 && used + rate * (at - last) >= capacity) {
      const whole = last + Math.floor((capacity - used) / rate)
      for (const [who, { since, perSecond: each }] of active) use(who, (whole - since) * each)
      let left = capacity - used - (whole - last) * rate
      const usedUpAt = instant(left > 0 ? whole + 1 : whole)
      for (const who of [...active.keys()].sort((a, b) => a.order - b.order)) {
        const ticks = Math.min(left, active.get(who)!.perSecond)
        use(who, ticks)
        left -= ticks
      }
      return { free, usedUpAt }
    }
    if (rate > 0) used += rate * (at - last)
    last = at
    if (begins) {
      active.set(user, { since: at, perSecond })
      rate += perSecond
      continue
    }
    const { since } = active.get(user)!
    active.delete(user)
    rate -= perSecond
    const ticks = Math.min(jump, capacity - used)
    use(user, (at - since) * perSecond + ticks)
    used += ticks
    if (used >= capacity && ticks > 0) {
      for (const [who, { since: began, perSecond: each }] of active) use(who, (at - began) * each)
      return { free, usedUpAt: instant(at) }
    }
  }
  return { free, usedUpAt: undefined }
}

/** When the last day of the allowance is over, or the month, whichever is first. */
export const allowanceEnd = (until: string, billingZone: string, month: BillingMonth): Instant =>
  instant(Math.min(endOfDate(until, billingZone), month.to))
