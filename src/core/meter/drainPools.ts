import { instant, type Instant } from '../quantity/units.ts'
import type { Pieces } from './pieces.ts'

/** Something that uses pools: a machine's hours, or one of its disks. */
export interface PoolUser {
  readonly key: string
  /** In one second, who stands first in the plan is served first. */
  readonly order: number
  /** Positions of the pools that it may use, in the book's order; at least one. */
  readonly of: readonly number[]
  readonly pieces: Pieces
}

/** One capacity of a free allowance in one month, in ticks. */
export interface Pool {
  readonly capacity: number
  /** Free use ends here. */
  readonly until: Instant
}

export interface Drained {
  /** Free ticks by user's key, and by pool's position. A user's free ticks are its first ones in time, pool after pool. */
  readonly free: ReadonlyMap<string, readonly number[]>
  /** By pool: when nothing was left; undefined where something is, or was when it ended, or there never was anything. */
  readonly usedUpAt: readonly (Instant | undefined)[]
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

function stepsOf(user: PoolUser, pools: readonly Pool[]): PoolStep[] {
  const until = user.of.reduce((last, of) => Math.max(last, pools[of]!.until), -Infinity)
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
export const poolSteps = (users: readonly PoolUser[], pools: readonly Pool[]): readonly PoolStep[] =>
  users.flatMap((user) => stepsOf(user, pools)).sort(compareSteps)

/**
 * What is free of a machine's users of the pools where they stand in place of those that the pools know: what `drainPools`
 * gives them among all others. `steps` are those of the pools as they are. O(steps until all are used up).
 */
export const drainedInstead = (
  pools: readonly Pool[],
  steps: readonly PoolStep[],
  without: ReadonlySet<PoolUser>,
  users: readonly PoolUser[],
): Drained => new Drain(pools, poolSteps(users, pools), steps, without).run()

const NOBODY: ReadonlySet<PoolUser> = new Set()

/**
 * What is free of all that use the pools of an account: each second comes from the first pool that its user may use, that
 * has not ended and has something left, and what that cannot cover of it from the next; in time order, and within a
 * second in the plan's order. What rounding adds is used where its piece ends. O(pieces × pools) once they are in order.
 */
export const drainPools = (pools: readonly Pool[], steps: readonly PoolStep[]): Drained =>
  new Drain(pools, steps, [], NOBODY).run()

/** Users of the same pools: at any time they use the same one. */
interface PoolClass {
  readonly of: readonly number[]
  /** The pool that is used now; undefined once all are over. */
  now: number | undefined
  /** Ticks a second, of all in it together. */
  rate: number
}

interface Active {
  readonly user: PoolUser
  readonly perSecond: number
  readonly of: PoolClass
  /** All before it is noted as free. */
  since: number
}

/**
 * Of others, without some of them, only what they use together is followed: a large plan asks for each choice of each
 * machine what is free of it alone.
 */
class Drain {
  private readonly left: number[]
  private readonly usedUpAt: (Instant | undefined)[]
  /** Nothing is left, or it has ended. */
  private readonly isOver: boolean[]
  private readonly rates: number[]
  private readonly classes: PoolClass[] = []
  private readonly classOfUser = new Map<PoolUser, PoolClass>()
  private readonly active = new Map<PoolUser, Active>()
  private readonly free = new Map<string, number[]>()
  /** How many of the others' steps are taken. */
  private taken = 0
  private time = -Infinity

  constructor(
    private readonly pools: readonly Pool[],
    private readonly own: readonly PoolStep[],
    private readonly others: readonly PoolStep[],
    private readonly without: ReadonlySet<PoolUser>,
  ) {
    this.left = pools.map(({ capacity }) => Math.max(0, capacity))
    this.usedUpAt = pools.map(() => undefined)
    this.isOver = this.left.map((left) => left === 0)
    this.rates = pools.map(() => 0)
  }

  run(): Drained {
    const { own, others, without } = this
    let ofOwn = 0
    while (this.taken < others.length || ofOwn < own.length) {
      const other = others[this.taken]
      if (other && without.has(other.user)) {
        this.taken += 1
        continue
      }
      const isOwn = !other || (ofOwn < own.length && compareSteps(own[ofOwn]!, other) <= 0)
      const step = isOwn ? own[ofOwn]! : other
      if (this.isDone(step.at)) break
      this.goTo(step.at)
      if (isOwn) ofOwn += 1
      else this.taken += 1
      this.take(step, isOwn)
    }
    return { free: this.free, usedUpAt: this.usedUpAt }
  }

  /** Nothing can be used at `at` or later. */
  private isDone(at: number): boolean {
    return this.pools.every(({ until }, pool) => this.left[pool] === 0 || (this.isOver[pool] && until < at))
  }

  private take({ user, begins, perSecond, jump }: PoolStep, isOwn: boolean): void {
    const of = this.classOf(user)
    if (begins) {
      of.rate += perSecond
      if (isOwn) this.active.set(user, { user, perSecond, of, since: this.time })
      return
    }
    of.rate -= perSecond
    const active = this.active.get(user)
    if (active) {
      this.settle(active)
      this.active.delete(user)
    }
    if (jump === 0) return
    // What ends with the pool itself is still covered by it.
    this.serve(user, jump, isOwn, (pool) => this.time <= this.pools[pool]!.until)
    this.close()
  }

  private classOf(user: PoolUser): PoolClass {
    let found = this.classOfUser.get(user)
    if (found) return found
    const { of } = user
    found = this.classes.find(
      (each) => each.of.length === of.length && each.of.every((pool, i) => pool === of[i]),
    )
    if (!found) {
      found = { of, now: this.firstOf(of), rate: 0 }
      this.classes.push(found)
    }
    this.classOfUser.set(user, found)
    return found
  }

  private firstOf(of: readonly number[]): number | undefined {
    return of.find((pool) => !this.isOver[pool])
  }

  /** Passes stretches in which all use one pool each, and by itself each second that a pool covers in part. */
  private goTo(at: number): void {
    if (this.time === -Infinity) {
      this.time = at
      this.close()
    }
    while (this.time < at) {
      const to = this.evenUntil(at)
      if (to > this.time) {
        for (const pool of this.pools.keys()) this.left[pool]! -= this.rates[pool]! * (to - this.time)
        this.time = to
      } else this.passSecond()
      this.close()
    }
  }

  /** How long, until `at`, every pool covers all who use it now; notes what is used a second of each. */
  private evenUntil(at: number): number {
    this.rates.fill(0)
    for (const { now, rate } of this.classes) if (now !== undefined) this.rates[now]! += rate
    let to = at
    for (const [pool, { until }] of this.pools.entries()) {
      if (this.isOver[pool]) continue
      const rate = this.rates[pool]!
      const lasts = rate > 0 ? this.time + Math.floor(this.left[pool]! / rate) : Infinity
      to = Math.min(to, until, lasts)
    }
    return to
  }

  /** All who are active take what they use in this second, in the plan's order. O(steps taken). */
  private passSecond(): void {
    for (const each of this.active.values()) this.settle(each)
    const all = [...this.active.values(), ...this.othersActive()].sort((a, b) => a.user.order - b.user.order)
    for (const { user, perSecond } of all)
      this.serve(user, perSecond, this.active.has(user), (pool) => !this.isOver[pool])
    this.time += 1
    for (const each of this.active.values()) each.since = this.time
  }

  private othersActive(): Iterable<Pick<Active, 'user' | 'perSecond'>> {
    const found = new Map<PoolUser, Pick<Active, 'user' | 'perSecond'>>()
    for (let at = 0; at < this.taken; at += 1) {
      const { user, begins, perSecond } = this.others[at]!
      if (this.without.has(user)) continue
      if (begins) found.set(user, { user, perSecond })
      else found.delete(user)
    }
    return found.values()
  }

  private serve(user: PoolUser, ticks: number, isOwn: boolean, isOpen: (pool: number) => boolean): void {
    let wanted = ticks
    for (const pool of user.of) {
      if (wanted === 0) return
      if (!isOpen(pool)) continue
      const taken = Math.min(wanted, this.left[pool]!)
      this.left[pool]! -= taken
      wanted -= taken
      if (isOwn) this.note(user, pool, taken)
    }
  }

  private settle(active: Active): void {
    const { user, perSecond, of, since } = active
    if (of.now !== undefined) this.note(user, of.now, (this.time - since) * perSecond)
    active.since = this.time
  }

  private note({ key }: PoolUser, pool: number, ticks: number): void {
    if (ticks === 0) return
    let ofUser = this.free.get(key)
    if (!ofUser) this.free.set(key, (ofUser = this.pools.map(() => 0)))
    ofUser[pool]! += ticks
  }

  /** Those who used what is over now go on to the next. */
  private close(): void {
    let isChanged = false
    for (const [pool, { capacity, until }] of this.pools.entries()) {
      const isUsedUp = this.left[pool] === 0
      if (isUsedUp && capacity > 0) this.usedUpAt[pool] ??= instant(this.time)
      if (this.isOver[pool] || !(isUsedUp || this.time >= until)) continue
      this.isOver[pool] = true
      isChanged = true
    }
    if (!isChanged) return
    for (const each of this.active.values())
      if (each.of.now !== undefined && this.isOver[each.of.now]) this.settle(each)
    for (const each of this.classes) each.now = this.firstOf(each.of)
  }
}
