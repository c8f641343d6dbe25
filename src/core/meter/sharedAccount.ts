import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { BookIndex } from '../catalogue/bookIndex.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import type { FreeAllowance } from '../catalogue/priceBook.ts'
import type { ResolvedDisk, ResolvedMachine } from '../machine/resolveMachine.ts'
import { lengthOf } from '../quantity/units.ts'
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
import {
  allowanceEnd,
  drainPool,
  poolSteps,
  type Drained,
  type Pool,
  type PoolStep,
  type PoolUser,
} from './freeAllowance.ts'
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
  const hoursOf = (index.book.freeAllowances ?? []).filter((each) => usesHours(each, reads, { index }))
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
  /** By the allowance's id. */
  readonly pools: ReadonlyMap<string, SharedPool>
  /** MiB out a month that are not part of a size's price, by region. */
  readonly traffic: ReadonlyMap<string, RegionTraffic>
  /** Where each machine stands in the plan. */
  readonly orders: ReadonlyMap<string, number>
}

interface RegionTraffic {
  readonly together: number
  readonly byMachine: ReadonlyMap<string, number>
}

export interface SharedPool {
  readonly allowance: FreeAllowance
  readonly pool: Pool
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
  const pools = new Map<string, SharedPool>()
  for (const allowance of book.freeAllowances ?? []) {
    const usersOf = new Map(
      uses.map((use) => {
        const context = { index, metered: use.metered, month }
        const users = use.hoursOf.includes(allowance.id)
          ? [hourUser(use, context, orders)]
          : diskUsers(allowance, use, context, orders)
        return [use.machine, users]
      }),
    )
    const users = [...usersOf.values()].flat()
    const pool: Pool = {
      capacity: capacityOf(allowance, month),
      until: allowanceEnd(allowance.until, book.billingZone, month),
      users,
    }
    const steps = poolSteps(pool)
    pools.set(allowance.id, { allowance, pool, usersOf, steps, drained: drainPool(pool, steps) })
  }
  return { pools, traffic: trafficOf(uses), orders }
}

/**
 * What is free of each thing with which a machine uses a pool, as text: all that tells it from machines that are the same
 * in what it is charged of the account. O(its users).
 */
export function freeTicksOf({ pools }: SharedAccount, machine: string): string {
  let text = ''
  for (const { usersOf, drained } of pools.values()) {
    for (const { key } of usersOf.get(machine) ?? []) text += `${drained.free.get(key) ?? 0} `
    text += '/'
  }
  return text
}

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

const capacityOf = ({ hoursPerMonth, gibPerMonth }: FreeAllowance, month: BillingMonth): number =>
  hoursPerMonth !== undefined
    ? hoursPerMonth * hourClock(month).ticksPerHour
    : (gibPerMonth ?? 0) * MIB_PER_GIB * lengthOf(month)

/** Hours are for machines on demand. */
const usesHours = (
  allowance: FreeAllowance,
  { terms, size }: HardwareReads,
  { index }: Pick<MeteredContext, 'index'>,
): boolean =>
  allowance.hoursPerMonth !== undefined &&
  index.terms.get(terms)!.kind === 'on-demand' &&
  allowance.eligible.includes(size)

const usesGiB = (allowance: FreeAllowance, { kind }: ResolvedDisk): boolean =>
  allowance.gibPerMonth !== undefined && (allowance.eligibleKinds?.includes(kind.id) ?? false)

/** More than the disks of a machine, so that each has a place of its own in the plan's order. */
const PLACES = 1_000

/** Who is served first in the last second of a pool: by the plan, then by the disk. */
const poolOrder = (orders: ReadonlyMap<string, number>, { machine }: Named, position = 0): number =>
  (orders.get(machine) ?? 0) * PLACES + position

type Named = Pick<HardwareReads, 'machine'>

export const hoursKey = ({ machine }: Named): string => machine

export const diskKey = ({ machine }: Named, { position }: ResolvedDisk): string => `${machine}/${position}`

/** What a machine's hours use of an allowance: nothing of one for disks. */
export const hourUsers = (
  allowance: FreeAllowance,
  reads: HardwareReads,
  context: MeteredContext,
  orders: ReadonlyMap<string, number>,
): PoolUser[] => (usesHours(allowance, reads, context) ? [hourUser(reads, context, orders)] : [])

const hourUser = (
  reads: Named,
  { metered, month }: MeteredContext,
  orders: ReadonlyMap<string, number>,
): PoolUser => ({
  key: hoursKey(reads),
  order: poolOrder(orders, reads),
  pieces: hourPieces(metered.compute.pieces, month),
})

/** What each of its disks uses of an allowance: nothing of one for hours. */
export function diskUsers(
  allowance: FreeAllowance,
  reads: Pick<BelongingsReads, 'machine' | 'region' | 'systemDisk' | 'dataDisks'>,
  context: MeteredContext,
  orders: ReadonlyMap<string, number>,
): PoolUser[] {
  if (allowance.gibPerMonth === undefined) return []
  return disksOfReads(reads, context).flatMap((disk) => {
    if (!usesGiB(allowance, disk)) return []
    const found = diskRate(regionOf(reads, context), disk.kind, disk.disk.roomGiB)
    if (!found) return []
    const pieces = inMebibytes(diskPieces(context.metered, disk), found.chargedGiB)
    return [{ key: diskKey(reads, disk), order: poolOrder(orders, reads, disk.position), pieces }]
  })
}
