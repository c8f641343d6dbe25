import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import type { FreeAllowance, PriceBook } from '../catalogue/priceBook.ts'
import { disksOf, type ResolvedDisk, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { lengthOf } from '../quantity/units.ts'
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

/** A machine of the account with its month metered. */
export interface AccountMember {
  readonly resolved: ResolvedMachine
  readonly metered: MeteredMonth
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

/** O(members × pieces × log) for those that an allowance is for; all others cost a look-up. */
export function shareAccount(
  book: PriceBook,
  members: readonly AccountMember[],
  orders: ReadonlyMap<string, number>,
  month: BillingMonth,
): SharedAccount {
  const pools = new Map<string, SharedPool>()
  for (const allowance of book.freeAllowances ?? []) {
    const usersOf = new Map(
      members.map((member) => [member.resolved.machine.name, poolUsers(allowance, member, orders, month)]),
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
  return { pools, traffic: trafficOf(members), orders }
}

function trafficOf(members: readonly AccountMember[]): Map<string, RegionTraffic> {
  const traffic = new Map<string, { together: number; byMachine: Map<string, number> }>()
  for (const { resolved, metered } of members) {
    const mib = payableTraffic(resolved, metered)
    if (mib === 0) continue
    const { region, name } = resolved.machine
    const ofRegion = traffic.get(region) ?? { together: 0, byMachine: new Map<string, number>() }
    ofRegion.together += mib
    ofRegion.byMachine.set(name, mib)
    traffic.set(region, ofRegion)
  }
  return traffic
}

const capacityOf = ({ hoursPerMonth, gibPerMonth }: FreeAllowance, month: BillingMonth): number =>
  hoursPerMonth !== undefined
    ? hoursPerMonth * hourClock(month).ticksPerHour
    : (gibPerMonth ?? 0) * MIB_PER_GIB * lengthOf(month)

/** All of a member that its account depends on: two members that agree in these share the same. */
export const sharedUse = ({ resolved, metered }: AccountMember): readonly unknown[] => {
  const { machine, region, index } = resolved
  const hours = (index.book.freeAllowances ?? []).map((allowance) => usesHours(allowance, resolved))
  return [
    machine.name,
    metered,
    region,
    machine.systemDisk,
    machine.dataDisks,
    payableTraffic(resolved, metered),
    ...hours,
  ]
}

/** Hours are for machines on demand. */
const usesHours = (allowance: FreeAllowance, { terms, size }: ResolvedMachine): boolean =>
  allowance.hoursPerMonth !== undefined && terms.kind === 'on-demand' && allowance.eligible.includes(size.id)

const usesGiB = (allowance: FreeAllowance, { kind }: ResolvedDisk): boolean =>
  allowance.gibPerMonth !== undefined && (allowance.eligibleKinds?.includes(kind.id) ?? false)

/** More than the disks of a machine, so that each has a place of its own in the plan's order. */
const PLACES = 1_000

/** Who is served first in the last second of a pool: by the plan, then by the disk. */
const poolOrder = (orders: ReadonlyMap<string, number>, { machine }: ResolvedMachine, position = 0): number =>
  (orders.get(machine.name) ?? 0) * PLACES + position

export const hoursKey = ({ machine }: ResolvedMachine): string => machine.name

export const diskKey = ({ machine }: ResolvedMachine, { position }: ResolvedDisk): string =>
  `${machine.name}/${position}`

/** What one machine uses of an allowance: its hours, or each of its disks. */
export const poolUsers = (
  allowance: FreeAllowance,
  member: AccountMember,
  orders: ReadonlyMap<string, number>,
  month: BillingMonth,
): PoolUser[] =>
  allowance.hoursPerMonth !== undefined
    ? hourUsers(allowance, member, orders, month)
    : diskUsers(allowance, member, orders)

function hourUsers(
  allowance: FreeAllowance,
  { resolved, metered }: AccountMember,
  orders: ReadonlyMap<string, number>,
  month: BillingMonth,
): PoolUser[] {
  if (!usesHours(allowance, resolved)) return []
  const pieces = hourPieces(metered.compute.pieces, month)
  return [{ key: hoursKey(resolved), order: poolOrder(orders, resolved), pieces }]
}

function diskUsers(
  allowance: FreeAllowance,
  { resolved, metered }: AccountMember,
  orders: ReadonlyMap<string, number>,
): PoolUser[] {
  if (allowance.gibPerMonth === undefined) return []
  return disksOf(resolved).flatMap((disk) => {
    if (!usesGiB(allowance, disk)) return []
    const found = diskRate(resolved.region, disk.kind, disk.disk.roomGiB)
    if (!found) return []
    const pieces = inMebibytes(diskPieces(metered, disk), found.chargedGiB)
    return [{ key: diskKey(resolved, disk), order: poolOrder(orders, resolved, disk.position), pieces }]
  })
}
