import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { FreeAllowance } from '../catalogue/priceBook.ts'
import type { ResolvedDisk, ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Waiver } from './charge.ts'
import { drainedInstead, type Drained, type PoolUser } from './freeAllowance.ts'
import type { Pieces } from './pieces.ts'
import {
  diskKey,
  hoursKey,
  poolUsers,
  type AccountMember,
  type SharedAccount,
  type SharedPool,
} from './sharedAccount.ts'

export interface FreeShare {
  readonly allowance: FreeAllowance
  /** The user's first ticks, which are free. */
  readonly ticks: number
  readonly usedUpAt: Drained['usedUpAt']
}

/** What is free of a machine's hours; undefined where no allowance is for it. */
export function freeHours(
  shared: SharedAccount | undefined,
  member: AccountMember,
  month: BillingMonth,
): FreeShare | undefined {
  return sharesOf('hoursPerMonth', shared, member, month).get(hoursKey(member.resolved))
}

/** What is free of a machine's disks, in MiB-seconds, by disk; see `diskShare`. */
export const freeRoom = (
  shared: SharedAccount | undefined,
  member: AccountMember,
  month: BillingMonth,
): FreeRoom => sharesOf('gibPerMonth', shared, member, month)

export type FreeRoom = ReadonlyMap<string, FreeShare>

export const diskShare = (
  room: FreeRoom,
  resolved: ResolvedMachine,
  disk: ResolvedDisk,
): FreeShare | undefined => room.get(diskKey(resolved, disk))

const NONE: ReadonlyMap<string, FreeShare> = new Map()

/**
 * A machine's part in the allowances of one sort, as it is now. Where it uses other hours or disks than the account
 * knows of, as for a choice, the pool is used anew with all of them in place of those known. What several allowances
 * are for comes from the first.
 */
function sharesOf(
  sort: 'hoursPerMonth' | 'gibPerMonth',
  shared: SharedAccount | undefined,
  member: AccountMember,
  month: BillingMonth,
): ReadonlyMap<string, FreeShare> {
  if (!shared || shared.pools.size === 0) return NONE
  const shares = new Map<string, FreeShare>()
  for (const pool of shared.pools.values()) {
    const { allowance } = pool
    const users = allowance[sort] === undefined ? [] : poolUsers(allowance, member, shared.orders, month)
    if (users.length === 0) continue
    const { free, usedUpAt } = drainedWith(pool, member.resolved.machine.name, users)
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
  const keys = new Set(known.map(({ key }) => key))
  return drainedInstead(pool, steps, keys, users)
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
