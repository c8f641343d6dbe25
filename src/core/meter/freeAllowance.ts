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
  /** Free ticks of each user, by key; each user's first ones in time. */
  readonly free: ReadonlyMap<string, number>
  /** When nothing was left; undefined where something is. */
  readonly usedUpAt: Instant | undefined
}

/** A piece begins (1), or ends (0) and uses what rounding added. Ends come before beginnings of the same instant. */
interface Step {
  readonly at: number
  readonly begins: 0 | 1
  readonly user: PoolUser
  readonly perSecond: number
  readonly jump: number
}

const compareSteps = (a: Step, b: Step): number =>
  a.at - b.at || a.begins - b.begins || a.user.order - b.user.order

function stepsOf(user: PoolUser, until: Instant): Step[] {
  const steps: Step[] = []
  for (const { from, to, ticks, added } of user.pieces.list) {
    if (from >= until) break
    const perSecond = (ticks - added) / (to - from)
    steps.push({ at: from, begins: 1, user, perSecond, jump: 0 })
    steps.push({ at: Math.min(to, until), begins: 0, user, perSecond, jump: to <= until ? added : 0 })
  }
  return steps
}

/**
 * Uses a pool in time order. A second that the pool cannot cover for all who use it is covered in the order of the
 * plan. O(pieces × log pieces).
 */
export function drainPool({ capacity, until, users }: Pool): Drained {
  const steps = users.flatMap((user) => stepsOf(user, until)).sort(compareSteps)
  const free = new Map<string, number>(users.map(({ key }) => [key, 0]))
  const active = new Map<PoolUser, { since: number; perSecond: number }>()
  const use = (user: PoolUser, ticks: number): void => {
    free.set(user.key, free.get(user.key)! + ticks)
  }
  let used = 0
  let rate = 0
  let last = steps[0]?.at ?? 0
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
    used += rate * (at - last)
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
