import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { chargedRoom, disksOf, rowOf, termsOf } from './catalogueFacts.ts'
import { computeTime, timeIn } from './counted.ts'
import type { PracticeMachine } from './PracticeMachine.ts'
import { times, type Stretch, type Within } from './stretches.ts'
import { midnight } from './zoneClock.ts'

export const MIB_PER_GIB = 1_024

interface PoolUser {
  readonly key: string
  readonly stretches: readonly Stretch[]
  /** In the book's order. */
  readonly pools: readonly Pool[]
}

interface Pool {
  left: number
  readonly until: number
}

/** Free ticks of each machine (by name) and disk (`name/0`): seconds, or MiB-seconds. */
export type FreeTicks = ReadonlyMap<string, number>

export const diskKey = ({ order }: PracticeMachine, place: number): string => `${order.name}/${place}`

/**
 * What is free in the month, of all machines of the account together, in the order in which it is used. `month` is the
 * whole one, `within` what is metered of it.
 */
export function freeTicks(
  machines: readonly PracticeMachine[],
  book: PriceBook,
  month: Within,
  within: Within,
): FreeTicks {
  const free = new Map<string, number>()
  const pools = (book.freeAllowances ?? []).map((allowance) => {
    const [year, at, day] = allowance.until.split('-').map(Number) as [number, number, number]
    const until = midnight(book.billingZone, year, at, day + 1)
    return {
      allowance,
      hours: { left: (allowance.hoursPerMonth ?? 0) * 3_600, until },
      room: { left: (allowance.gibPerMonth ?? 0) * MIB_PER_GIB * (month.to - month.from), until },
    }
  })
  drain(
    machines.map((machine) => ({
      key: machine.order.name,
      stretches: computeTime(machine, within, book),
      pools: pools
        .filter(
          ({ allowance }) =>
            termsOf(machine.order, book).kind === 'on-demand' &&
            allowance.eligible.includes(machine.order.size),
        )
        .map(({ hours }) => hours),
    })),
    free,
  )
  drain(
    machines.flatMap((machine) =>
      disksOf(machine.order).map((disk, place) => ({
        key: diskKey(machine, place),
        stretches: times(
          diskTime(machine, place, within, book),
          chargedRoom(disk, machine.order, book) * MIB_PER_GIB,
        ),
        pools: pools
          .filter(({ allowance }) => allowance.eligibleKinds?.includes(disk.kind))
          .map(({ room }) => room),
      })),
    ),
    free,
  )
  return free
}

/** While the disk is there: one that goes with its machine, only while there is one, if it was not left behind. */
export function diskTime(
  machine: PracticeMachine,
  place: number,
  within: Within,
  book: PriceBook,
): Stretch[] {
  const goes = disksOf(machine.order)[place]?.goes === true && !machine.leftBehind.has(place)
  return timeIn(machine, within, (state) => !goes || rowOf(state, book).disks)
}

interface Use {
  readonly user: PoolUser
  readonly order: number
  readonly from: number
  readonly to: number
  readonly perSecond: number
  /** Used all at once. */
  readonly lump: number
}

const inOrder = (a: Use, b: Use): number => a.order - b.order

/**
 * Takes from the pools until they are empty or over: each user from its first one that has something left, and from the
 * next what that does not cover. Who comes first in the same second is served first in it.
 */
function drain(users: readonly PoolUser[], free: Map<string, number>): void {
  const uses = users.flatMap((user, order) =>
    user.pools.length === 0
      ? []
      : user.stretches.map(({ from, to, ticks }): Use => {
          const isLump = from === to
          return {
            user,
            order,
            from,
            to,
            perSecond: isLump ? 0 : ticks / (to - from),
            lump: isLump ? ticks : 0,
          }
        }),
  )
  const ends = users.flatMap(({ pools }) => pools.map(({ until }) => until))
  const edges = [...new Set([...uses.flatMap(({ from, to }) => [from, to]), ...ends])].sort((a, b) => a - b)
  const beginning = new Map<number, Use[]>()
  for (const use of uses) {
    const known = beginning.get(use.from)
    if (known) known.push(use)
    else beginning.set(use.from, [use])
  }
  const give = (key: string, ticks: number): void => void free.set(key, (free.get(key) ?? 0) + ticks)
  const take = ({ user, perSecond, lump }: Use, at: number): void => {
    let wanted = perSecond + lump
    for (const pool of user.pools) {
      // What is added to a run that ends with a pool is still covered by it.
      if (lump > 0 ? at > pool.until : at >= pool.until) continue
      const taken = Math.min(wanted, pool.left)
      pool.left -= taken
      wanted -= taken
      give(user.key, taken)
    }
  }
  let active: Use[] = []
  for (const [i, edge] of edges.entries()) {
    const starts = beginning.get(edge) ?? []
    for (const use of starts.filter(({ lump }) => lump > 0).sort(inOrder)) take(use, edge)
    active = [...active.filter(({ to }) => to > edge), ...starts.filter(({ lump }) => lump === 0)].sort(
      inOrder,
    )
    const next = edges[i + 1] ?? edge
    for (let at = edge; at < next;) {
      const served = active.flatMap((use) => {
        const pool = use.user.pools.find(({ left, until }) => left > 0 && at < until)
        return pool ? [{ use, pool }] : []
      })
      if (served.length === 0) break
      const rates = new Map<Pool, number>()
      for (const { use, pool } of served) rates.set(pool, (rates.get(pool) ?? 0) + use.perSecond)
      const lasting = [...rates].map(([{ left }, rate]) => Math.floor(left / rate))
      const whole = Math.min(next - at, ...lasting)
      if (whole === 0) {
        for (const { use } of served) take(use, at)
        at += 1
        continue
      }
      for (const { use, pool } of served) {
        pool.left -= use.perSecond * whole
        give(use.user.key, use.perSecond * whole)
      }
      at += whole
    }
  }
}
