import { endOfDate, hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { BookIndex } from '../catalogue/bookIndex.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import type { FreeAllowance, PriceBook } from '../catalogue/priceBook.ts'
import { keptFor } from '../keptFor.ts'
import type { ResolvedDisk, ResolvedMachine } from '../machine/resolveMachine.ts'
import { instant, lengthOf, type Instant } from '../quantity/units.ts'
import {
  belongingsReads,
  disksOfReads,
  hardwareReads,
  regionOf,
  type BelongingsReads,
  type HardwareReads,
  type MeteredContext,
} from './chargeReads.ts'
import { diskPieces, hourPieces, inMebibytes, MIB_PER_GIB } from './clockPieces.ts'
import { drainPools, poolSteps, type Drained, type Pool, type PoolStep, type PoolUser } from './drainPools.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { payableTraffic } from './payableTraffic.ts'

/** All of a machine that its account depends on: accounts whose machines agree in these are the same. */
export interface AccountUse extends Pick<BelongingsReads, 'machine' | 'region' | 'systemDisk' | 'dataDisks'> {
  readonly metered: MeteredMonth
  /** Ids of the allowances that its hours count against. */
  readonly hoursOf: readonly string[]
  /** MiB out a month that are not part of its size's price. */
  readonly payableMiB: number
}

export function accountUse(resolved: ResolvedMachine, metered: MeteredMonth): AccountUse {
  const { index } = resolved
  const reads = hardwareReads(resolved)
  const { machine, region, systemDisk, dataDisks } = belongingsReads(resolved)
  const hoursOf = hourAllowances(index.book).filter(isForHours(reads, { index }))
  return {
    machine,
    region,
    systemDisk,
    dataDisks,
    metered,
    hoursOf: hoursOf.map(({ id }) => id),
    payableMiB: payableTraffic(reads, metered),
  }
}

/** What the machines of one provider share in a month: free allowances and the bands of traffic. */
export interface SharedAccount {
  /** Free hours of machines on demand. */
  readonly hours: SharedPools
  /** Free room of disks, in MiB-seconds. */
  readonly room: SharedPools
  /** MiB out a month that are not part of a size's price, by region. */
  readonly traffic: ReadonlyMap<string, RegionTraffic>
  /** Where each machine stands in the plan. */
  readonly orders: ReadonlyMap<string, number>
}

interface RegionTraffic {
  readonly together: number
  readonly byMachine: ReadonlyMap<string, number>
}

/** The capacities of one sort, of all allowances that have one, in the book's order. */
export interface SharedPools {
  readonly allowances: readonly FreeAllowance[]
  /** One of each allowance. */
  readonly pools: readonly Pool[]
  /** By the machine's name. */
  readonly usersOf: ReadonlyMap<string, readonly PoolUser[]>
  /** Of all users, in time order. */
  readonly steps: readonly PoolStep[]
  readonly drained: Drained
}

/** O(uses × pieces × log) for those that an allowance is for; all others cost a look-up. */
export function shareAccount(
  index: BookIndex,
  uses: readonly AccountUse[],
  orders: ReadonlyMap<string, number>,
  month: BillingMonth,
): SharedAccount {
  const { book } = index
  const share = (
    allowances: readonly FreeAllowance[],
    capacityOf: (allowance: FreeAllowance) => number,
    ofUse: (use: AccountUse, context: MeteredContext) => PoolUser[],
  ): SharedPools => {
    const pools = allowances.map((allowance) => ({
      capacity: capacityOf(allowance),
      until: allowanceEnd(allowance.until, book.billingZone, month),
    }))
    const usersOf = new Map(
      uses.flatMap((use): [string, PoolUser[]][] => {
        const users = pools.length === 0 ? [] : ofUse(use, { index, metered: use.metered, month })
        return users.length === 0 ? [] : [[use.machine, users]]
      }),
    )
    const steps = poolSteps([...usersOf.values()].flat(), pools)
    return { allowances, pools, usersOf, steps, drained: drainPools(pools, steps) }
  }
  const ofHours = hourAllowances(book)
  const ofRoom = roomAllowances(book)
  return {
    hours: share(
      ofHours,
      ({ hoursPerMonth }) => hoursPerMonth! * hourClock(month).ticksPerHour,
      (use, context) =>
        hourUserOf(
          positionsIn(ofHours, ({ id }) => use.hoursOf.includes(id)),
          use,
          context,
          orders,
        ),
    ),
    room: share(
      ofRoom,
      ({ gibPerMonth }) => gibPerMonth! * MIB_PER_GIB * lengthOf(month),
      (use, context) => diskUsers(ofRoom, use, context, orders),
    ),
    traffic: trafficOf(uses),
    orders,
  }
}

/** The account as if nobody used its allowances yet; what is sent is as it is. */
export const unusedAccount = keptFor((account: SharedAccount): SharedAccount => {
  const unused = (pools: SharedPools): SharedPools => ({
    ...pools,
    usersOf: new Map(),
    steps: [],
    drained: drainPools(pools.pools, []),
  })
  return { ...account, hours: unused(account.hours), room: unused(account.room) }
})

/** The account as if it had no allowances. */
export const accountWithoutPools = keptFor((account: SharedAccount): SharedAccount => {
  const none: SharedPools = {
    allowances: [],
    pools: [],
    usersOf: new Map(),
    steps: [],
    drained: drainPools([], []),
  }
  return { ...account, hours: none, room: none }
})

export const hasPools = ({ hours, room }: SharedAccount): boolean =>
  hours.pools.length > 0 || room.pools.length > 0

/** One capacity of one allowance, with all that may use it. */
export interface PoolUse {
  readonly allowance: FreeAllowance
  readonly of: 'hours' | 'room'
  readonly capacity: number
  readonly usedUpAt: Instant | undefined
  readonly users: readonly PoolUser[]
  /** Ticks that each user has free of it. */
  readonly freeOf: (user: PoolUser) => number
  /** Names of the machines that may use it. */
  readonly machines: readonly string[]
}

/** Every capacity of every allowance; first the hours, in the book's order, then the room. */
export const poolUses = ({ hours, room }: Pick<SharedAccount, 'hours' | 'room'>): PoolUse[] =>
  [['hours', hours] as const, ['room', room] as const].flatMap(
    ([of, { allowances, pools, usersOf, drained }]) =>
      allowances.map((allowance, at): PoolUse => {
        const may = ({ of: positions }: PoolUser): boolean => positions.includes(at)
        return {
          allowance,
          of,
          capacity: pools[at]!.capacity,
          usedUpAt: drained.usedUpAt[at],
          users: [...usersOf.values()].flat().filter(may),
          freeOf: ({ key }) => drained.free.get(key)?.[at] ?? 0,
          machines: [...usersOf].flatMap(([name, users]) => (users.some(may) ? [name] : [])),
        }
      }),
  )

/**
 * What is free of each thing with which a machine uses pools, as text: all that tells it from machines that are the same
 * in what it is charged of the account. O(its users).
 */
export function freeTicksOf({ hours, room }: SharedAccount, machine: string): string {
  let text = ''
  for (const { usersOf, drained } of [hours, room]) {
    for (const { key } of usersOf.get(machine) ?? []) text += `${(drained.free.get(key) ?? []).join()} `
    text += '/'
  }
  return text
}

/** When the last day of the allowance is over, or the month, whichever is first. */
export const allowanceEnd = (until: string, billingZone: string, month: BillingMonth): Instant =>
  instant(Math.min(endOfDate(until, billingZone), month.to))

function trafficOf(uses: readonly AccountUse[]): Map<string, RegionTraffic> {
  const traffic = new Map<string, { together: number; byMachine: Map<string, number> }>()
  for (const { machine, region, payableMiB: mib } of uses) {
    if (mib === 0) continue
    const ofRegion = traffic.get(region) ?? { together: 0, byMachine: new Map<string, number>() }
    ofRegion.together += mib
    ofRegion.byMachine.set(machine, mib)
    traffic.set(region, ofRegion)
  }
  return traffic
}

const hourAllowances = keptFor((book: PriceBook) =>
  (book.freeAllowances ?? []).filter(({ hoursPerMonth }) => hoursPerMonth !== undefined),
)

const roomAllowances = keptFor((book: PriceBook) =>
  (book.freeAllowances ?? []).filter(({ gibPerMonth }) => gibPerMonth !== undefined),
)

const positionsIn = (
  allowances: readonly FreeAllowance[],
  isFor: (allowance: FreeAllowance) => boolean,
): number[] => allowances.flatMap((allowance, at) => (isFor(allowance) ? [at] : []))

/** Hours are for machines on demand. */
const isForHours =
  ({ terms, size }: HardwareReads, { index }: Pick<MeteredContext, 'index'>) =>
  ({ eligible }: FreeAllowance): boolean =>
    index.terms.get(terms)!.kind === 'on-demand' && eligible.includes(size)

const isForDisk =
  ({ kind }: ResolvedDisk) =>
  ({ eligibleKinds }: FreeAllowance): boolean =>
    eligibleKinds?.includes(kind.id) ?? false

/** More than the disks of a machine, so that each has a place of its own in the plan's order. */
const PLACES = 1_000

/** Who is served first in one second: by the plan, then by the disk. */
const poolOrder = (orders: ReadonlyMap<string, number>, { machine }: Named, position = 0): number =>
  (orders.get(machine) ?? 0) * PLACES + position

type Named = Pick<HardwareReads, 'machine'>

export const hoursKey = ({ machine }: Named): string => machine

export const diskKey = ({ machine }: Named, { position }: ResolvedDisk): string => `${machine}/${position}`

/** What a machine's hours use of the pools of hours; none where no allowance is for them. */
export const hourUsers = (
  allowances: readonly FreeAllowance[],
  reads: HardwareReads,
  context: MeteredContext,
  orders: ReadonlyMap<string, number>,
): PoolUser[] => hourUserOf(positionsIn(allowances, isForHours(reads, context)), reads, context, orders)

const hourUserOf = (
  of: readonly number[],
  reads: Named,
  { metered, month }: MeteredContext,
  orders: ReadonlyMap<string, number>,
): PoolUser[] =>
  of.length === 0
    ? []
    : [
        {
          key: hoursKey(reads),
          order: poolOrder(orders, reads),
          of,
          pieces: hourPieces(metered.compute.pieces, month),
        },
      ]

/** What each of its disks uses of the pools of room; those that no allowance is for are not among them. */
export const diskUsers = (
  allowances: readonly FreeAllowance[],
  reads: Pick<BelongingsReads, 'machine' | 'region' | 'systemDisk' | 'dataDisks'>,
  context: MeteredContext,
  orders: ReadonlyMap<string, number>,
): PoolUser[] =>
  disksOfReads(reads, context).flatMap((disk) => {
    const of = positionsIn(allowances, isForDisk(disk))
    const found = of.length > 0 && diskRate(regionOf(reads, context), disk.kind, disk.disk.roomGiB)
    if (!found) return []
    const pieces = inMebibytes(diskPieces(context.metered, disk), found.chargedGiB)
    return [{ key: diskKey(reads, disk), order: poolOrder(orders, reads, disk.position), of, pieces }]
  })
