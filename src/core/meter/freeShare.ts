import type { FreeAllowance } from '../catalogue/priceBook.ts'
import type { ResolvedDisk } from '../machine/resolveMachine.ts'
import type { Waiver } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import type { BelongingsReads, HardwareReads } from './chargeReads.ts'
import { drainedInstead, type Drained, type PoolUser } from './freeAllowance.ts'
import type { Pieces } from './pieces.ts'
import { diskKey, diskUsers, hoursKey, hourUsers, type SharedPool } from './sharedAccount.ts'

export interface FreeShare {
  readonly allowance: FreeAllowance
  /** The user's first ticks, which are free. */
  readonly ticks: number
  readonly usedUpAt: Drained['usedUpAt']
}

/** What is free of a machine's hours; undefined where no allowance is for it. */
export const freeHours = (reads: HardwareReads, context: ChargeContext): FreeShare | undefined =>
  sharesOf(reads, context, (allowance, orders) => hourUsers(allowance, reads, context, orders)).get(
    hoursKey(reads),
  )

/** What is free of a machine's disks, in MiB-seconds, by disk; see `diskShare`. */
export const freeRoom = (reads: BelongingsReads, context: ChargeContext): FreeRoom =>
  sharesOf(reads, context, (allowance, orders) => diskUsers(allowance, reads, context, orders))

export type FreeRoom = ReadonlyMap<string, FreeShare>

export const diskShare = (
  room: FreeRoom,
  reads: BelongingsReads,
  disk: ResolvedDisk,
): FreeShare | undefined => room.get(diskKey(reads, disk))

const NONE: ReadonlyMap<string, FreeShare> = new Map()

/**
 * A machine's part in the allowances of one sort, as it is now. Where it uses other hours or disks than the account
 * knows of, as for a choice, the pool is used anew with all of them in place of those known. What several allowances
 * are for comes from the first.
 */
function sharesOf(
  { machine }: Pick<HardwareReads, 'machine'>,
  { shared }: ChargeContext,
  usersOf: (allowance: FreeAllowance, orders: ReadonlyMap<string, number>) => readonly PoolUser[],
): ReadonlyMap<string, FreeShare> {
  if (!shared || shared.pools.size === 0) return NONE
  const shares = new Map<string, FreeShare>()
  for (const pool of shared.pools.values()) {
    const { allowance } = pool
    const users = usersOf(allowance, shared.orders)
    if (users.length === 0) continue
    const { free, usedUpAt } = drainedWith(pool, machine, users)
    for (const { key } of users) {
      if (!shares.has(key)) shares.set(key, { allowance, ticks: free.get(key) ?? 0, usedUpAt })
    }
  }
  return shares
}

const NOTHING_FREE: Drained = { free: new Map(), usedUpAt: undefined }

function drainedWith(
  { pool, usersOf, steps, drained }: SharedPool,
  name: string,
  users: readonly PoolUser[],
): Drained {
  const known = usersOf.get(name) ?? []
  if (known.length === users.length && known.every((user, i) => sameUser(user, users[i]!))) return drained
  // Who uses nothing takes nothing: the others need not be looked at.
  if (users.every(({ pieces }) => pieces.ticks === 0)) return NOTHING_FREE
  return drainedInstead(pool, steps, new Set(known), users)
}

const sameUser = (a: PoolUser, b: PoolUser): boolean => a.key === b.key && samePieces(a.pieces, b.pieces)

const samePieces = (a: Pieces, b: Pieces): boolean =>
  a === b ||
  (a.ticks === b.ticks &&
    a.list.length === b.list.length &&
    a.list.every((piece, i) => piece.from === b.list[i]!.from && piece.ticks === b.list[i]!.ticks))

export const allowanceWaiver = ({ allowance: { id, name }, usedUpAt }: FreeShare): Waiver => ({
  by: 'allowance',
  id,
  name: name ?? id,
  ...(usedUpAt !== undefined && { usedUpAt }),
})
