import type { FreeAllowance } from '../catalogue/priceBook.ts'
import type { ResolvedDisk } from '../machine/resolveMachine.ts'
import type { Instant } from '../quantity/units.ts'
import { sameFields } from '../sameFields.ts'
import type { Waiver } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import type { BelongingsReads, HardwareReads } from './chargeReads.ts'
import { drainedInstead, type Drained, type PoolUser } from './drainPools.ts'
import { cutAtTicks, type Pieces } from './pieces.ts'
import { diskKey, diskUsers, hoursKey, hourUsers, type SharedPools } from './sharedAccount.ts'

/** What is free of something that uses pools: its first ticks in time, of one allowance after the other. */
export interface FreeShare {
  /** In the book's order; each gives something. */
  readonly parts: readonly FreePart[]
  /** Of all of them. */
  readonly ticks: number
}

interface FreePart {
  readonly allowance: FreeAllowance
  readonly ticks: number
  /** When nothing of the allowance was left. */
  readonly usedUpAt: Instant | undefined
}

/** What is free of a machine's hours; undefined where no allowance is for it. */
export function freeHours(reads: HardwareReads, context: ChargeContext): FreeShare | undefined {
  const hours = context.shared?.hours
  if (!hours || hours.pools.length === 0) return undefined
  const users = hourUsers(hours.allowances, reads, context, context.shared.orders)
  return sharesOf(hours, reads, users).get(hoursKey(reads))
}

/** What is free of a machine's disks, in MiB-seconds, by disk; see `diskShare`. */
export function freeRoom(reads: BelongingsReads, context: ChargeContext): FreeRoom {
  const room = context.shared?.room
  if (!room || room.pools.length === 0) return NONE
  return sharesOf(room, reads, diskUsers(room.allowances, reads, context, context.shared.orders))
}

export type FreeRoom = ReadonlyMap<string, FreeShare>

export const diskShare = (
  room: FreeRoom,
  reads: BelongingsReads,
  disk: ResolvedDisk,
): FreeShare | undefined => room.get(diskKey(reads, disk))

const NONE: ReadonlyMap<string, FreeShare> = new Map()

/**
 * A machine's part in the allowances of one sort, as it is now. Where it uses other hours or disks than the account
 * knows of, as for a choice, the pools are used anew with all of them in place of those known.
 */
function sharesOf(
  shared: SharedPools,
  { machine }: Pick<HardwareReads, 'machine'>,
  users: readonly PoolUser[],
): ReadonlyMap<string, FreeShare> {
  if (users.length === 0) return NONE
  const { free, usedUpAt } = drainedWith(shared, machine, users)
  return new Map(
    users.map(({ key }) => {
      const ofUser = free.get(key) ?? []
      const parts = ofUser.flatMap((ticks, at): FreePart[] =>
        ticks > 0 ? [{ allowance: shared.allowances[at]!, ticks, usedUpAt: usedUpAt[at] }] : [],
      )
      return [key, { parts, ticks: ofUser.reduce((sum, ticks) => sum + ticks, 0) }]
    }),
  )
}

const NOTHING_FREE: Drained = { free: new Map(), usedUpAt: [] }

function drainedWith(
  { pools, usersOf, steps, drained }: SharedPools,
  name: string,
  users: readonly PoolUser[],
): Drained {
  const known = usersOf.get(name) ?? []
  if (known.length === users.length && known.every((user, i) => sameUser(user, users[i]!))) return drained
  // Who uses nothing takes nothing: the others need not be looked at.
  if (users.every(({ pieces }) => pieces.ticks === 0)) return NOTHING_FREE
  return drainedInstead(pools, steps, new Set(known), users)
}

const sameUser = (a: PoolUser, b: PoolUser): boolean =>
  a.key === b.key && sameFields(a.of, b.of) && samePieces(a.pieces, b.pieces)

const samePieces = (a: Pieces, b: Pieces): boolean =>
  a === b ||
  (a.ticks === b.ticks &&
    a.list.length === b.list.length &&
    a.list.every((piece, i) => piece.from === b.list[i]!.from && piece.ticks === b.list[i]!.ticks))

/** What each allowance covers, and what is charged. */
export function cutFree(
  pieces: Pieces,
  { parts }: FreeShare,
): { readonly covered: readonly (readonly [Pieces, Waiver])[]; readonly rest: Pieces } {
  let rest = pieces
  const covered = parts.map((part) => {
    const [own, left] = cutAtTicks(rest, part.ticks)
    rest = left
    return [own, allowanceWaiver(part)] as const
  })
  return { covered, rest }
}

const allowanceWaiver = ({ allowance: { id, name }, usedUpAt }: FreePart): Waiver => ({
  by: 'allowance',
  id,
  name: name ?? id,
  ...(usedUpAt !== undefined && { usedUpAt }),
})
