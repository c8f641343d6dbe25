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

/**
 * What is free of a machine's users of a pool where they stand in place of those that the pool knows: what `drainPool`
 * gives them among all others. `steps` are those of the pool as it is. O(steps until it is used up).
 */
export const drainedInstead = (
  { capacity, until }: Omit<Pool, 'users'>,
  steps: readonly PoolStep[],
  without: ReadonlySet<PoolUser>,
  users: readonly PoolUser[],
): Drained => drain(capacity, poolSteps({ users, until }), steps, without)

const NOBODY: ReadonlySet<PoolUser> = new Set()

/** What is free of all that use a pool. O(pieces) once they are in order. */
export const drainPool = ({ capacity }: Pick<Pool, 'capacity'>, steps: readonly PoolStep[]): Drained =>
  drain(capacity, steps, [], NOBODY)

/**
 * Uses a pool in time order. A second that the pool cannot cover for all who use it is covered in the order of the plan.
 * Of others, without some of them, only what they use together is followed: a large plan asks for each choice of each
 * machine what is free of it alone.
 */
function drain(
  capacity: number,
  own: readonly PoolStep[],
  others: readonly PoolStep[],
  without: ReadonlySet<PoolUser>,
): Drained {
  const free = new Map<string, number>()
  const active = new Map<PoolUser, Active>()
  let [used, rate, last] = [0, 0, -Infinity]
  let [of, ofOwn] = [0, 0]
  while (of < others.length || ofOwn < own.length) {
    const other = others[of]
    if (other && without.has(other.user)) {
      of += 1
      continue
    }
    const isOwn = !other || (ofOwn < own.length && compareSteps(own[ofOwn]!, other) <= 0)
    const { at, begins, user, perSecond, jump } = isOwn ? own[ofOwn]! : other
    if (rate > 0 && used + rate * (at - last) >= capacity) {
      const whole = last + Math.floor((capacity - used) / rate)
      const left = capacity - used - (whole - last) * rate
      useUntil(whole, active, free)
      let served = 0
      for (const [who, { perSecond: each }] of [...active].sort(([a], [b]) => a.order - b.order)) {
        const before = served + rateBefore(who, others, of, without)
        add(free, who, Math.max(0, Math.min(left - before, each)))
        served += each
      }
      return { free, usedUpAt: instant(left > 0 ? whole + 1 : whole) }
    }
    if (rate > 0) used += rate * (at - last)
    last = at
    rate += begins ? perSecond : -perSecond
    if (isOwn) ofOwn += 1
    else of += 1
    if (begins) {
      if (isOwn) active.set(user, { since: at, perSecond })
      continue
    }
    const ticks = Math.min(jump, capacity - used)
    if (isOwn) {
      add(free, user, (at - active.get(user)!.since) * perSecond + ticks)
      active.delete(user)
    }
    used += ticks
    if (used >= capacity && ticks > 0) {
      useUntil(at, active, free)
      return { free, usedUpAt: instant(at) }
    }
  }
  return { free, usedUpAt: undefined }
}

interface Active {
  readonly since: number
  readonly perSecond: number
}

function add(free: Map<string, number>, { key }: PoolUser, ticks: number): void {
  free.set(key, (free.get(key) ?? 0) + ticks)
}

function useUntil(at: number, active: ReadonlyMap<PoolUser, Active>, free: Map<string, number>): void {
  for (const [who, { since, perSecond }] of active) add(free, who, (at - since) * perSecond)
}

/** What others that stand before one use a second, once so many of the steps are taken. */
function rateBefore(
  { order }: PoolUser,
  steps: readonly PoolStep[],
  taken: number,
  without: ReadonlySet<PoolUser>,
): number {
  let rate = 0
  for (let at = 0; at < taken; at += 1) {
    const { user, begins, perSecond } = steps[at]!
    if (user.order < order && !without.has(user)) rate += begins ? perSecond : -perSecond
  }
  return rate
}

/** When the last day of the allowance is over, or the month, whichever is first. */
export const allowanceEnd = (until: string, billingZone: string, month: BillingMonth): Instant =>
  instant(Math.min(endOfDate(until, billingZone), month.to))
