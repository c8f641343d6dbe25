import type { FreeAllowance, PriceBook } from '../core/catalogue/priceBook.ts'
import { chargedRoom, disksOf, rowOf, termsOf } from './catalogueFacts.ts'
import { computeTime, timeIn } from './counted.ts'
import type { PracticeMachine } from './PracticeMachine.ts'
import { times, type Stretch, type Within } from './stretches.ts'
import { midnight } from './zoneClock.ts'

export const MIB_PER_GIB = 1_024

interface PoolUser {
  readonly key: string
  readonly stretches: readonly Stretch[]
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
  for (const allowance of book.freeAllowances ?? []) {
    const [year, at, day] = allowance.until.split('-').map(Number) as [number, number, number]
    const until = midnight(book.billingZone, year, at, day + 1)
    const users = machines.flatMap((machine) => usersOf(machine, allowance, book, within))
    const capacity =
      allowance.hoursPerMonth === undefined
        ? (allowance.gibPerMonth ?? 0) * MIB_PER_GIB * (month.to - month.from)
        : allowance.hoursPerMonth * 3_600
    drain(users, capacity, until, free)
  }
  return free
}

function usersOf(
  machine: PracticeMachine,
  allowance: FreeAllowance,
  book: PriceBook,
  within: Within,
): PoolUser[] {
  const { order } = machine
  if (allowance.hoursPerMonth !== undefined) {
    if (termsOf(order, book).kind !== 'on-demand' || !allowance.eligible.includes(order.size)) return []
    return [{ key: order.name, stretches: computeTime(machine, within, book) }]
  }
  return disksOf(order).flatMap((disk, place) => {
    if (!allowance.eligibleKinds?.includes(disk.kind)) return []
    const time = diskTime(machine, place, within, book)
    return [
      { key: diskKey(machine, place), stretches: times(time, chargedRoom(disk, order, book) * MIB_PER_GIB) },
    ]
  })
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

/** Takes from the pool until it is empty. Who comes first in the same second is served first in the last one. */
function drain(users: readonly PoolUser[], capacity: number, until: number, free: Map<string, number>): void {
  const take = ({ key }: PoolUser, ticks: number): number => {
    const taken = Math.min(ticks, left)
    left -= taken
    free.set(key, (free.get(key) ?? 0) + taken)
    return taken
  }
  let left = capacity
  const all = users.flatMap((user, order) =>
    user.stretches
      .filter(({ from, to }) => (from === to ? to <= until : from < until))
      .map(({ from, to, ticks }) => ({
        user,
        order,
        from,
        to: Math.min(to, until),
        perSecond: from === to ? 0 : ticks / (to - from),
        lump: from === to ? ticks : 0,
      })),
  )
  const edges = [...new Set(all.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
  const beginning = new Map<number, typeof all>()
  for (const each of all) beginning.set(each.from, [...(beginning.get(each.from) ?? []), each])
  let active: typeof all = []
  for (const [i, at] of edges.entries()) {
    const starts = beginning.get(at) ?? []
    for (const { user, lump } of starts.filter(({ lump }) => lump > 0).sort((a, b) => a.order - b.order)) {
      take(user, lump)
    }
    active = [...active.filter(({ to }) => to > at), ...starts.filter(({ lump }) => lump === 0)].sort(
      (a, b) => a.order - b.order,
    )
    const length = (edges[i + 1] ?? at) - at
    const rate = active.reduce((sum, { perSecond }) => sum + perSecond, 0)
    const whole = rate === 0 ? length : Math.min(length, Math.floor(left / rate))
    for (const { user, perSecond } of active) take(user, perSecond * whole)
    if (whole < length) for (const { user, perSecond } of active) take(user, perSecond)
    if (left === 0) return
  }
}
