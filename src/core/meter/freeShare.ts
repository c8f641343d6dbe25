import type { FreeAllowance } from '../catalogue/priceBook.ts'
import type { ResolvedDisk, ResolvedMachine } from '../machine/resolveMachine.ts'
import type { GiB } from '../quantity/units.ts'
import { inMebibytes } from './clockPieces.ts'
import type { Waiver } from './charge.ts'
import { drainPool, type Drained, type PoolUser } from './freeAllowance.ts'
import type { Pieces } from './pieces.ts'
import {
  diskKey,
  hoursKey,
  poolOrder,
  usesGiB,
  usesHours,
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
  { pools, orders }: SharedAccount,
  resolved: ResolvedMachine,
  pieces: Pieces,
): FreeShare | undefined {
  for (const shared of pools.values()) {
    if (!usesHours(shared.allowance, resolved)) continue
    return shareOf(shared, { key: hoursKey(resolved), order: poolOrder(orders, resolved), pieces })
  }
  return undefined
}

/** What is free of a disk of this charged room, in MiB-seconds; undefined where no allowance is for its kind. */
export function freeGiB(
  { pools, orders }: SharedAccount,
  resolved: ResolvedMachine,
  disk: ResolvedDisk,
  pieces: Pieces,
  chargedGiB: GiB,
): FreeShare | undefined {
  for (const shared of pools.values()) {
    if (!usesGiB(shared.allowance, disk)) continue
    const order = poolOrder(orders, resolved, disk.position)
    const user = { key: diskKey(resolved, disk), order, pieces: inMebibytes(pieces, chargedGiB) }
    return shareOf(shared, user)
  }
  return undefined
}

/** The share of one user; where it uses other time than the account knows of, as for a choice, the pool is used anew. */
function shareOf({ allowance, pool, usersByKey, drained }: SharedPool, user: PoolUser): FreeShare {
  const known = usersByKey.get(user.key)
  const now =
    known && samePieces(known.pieces, user.pieces)
      ? drained
      : drainPool({ ...pool, users: [...pool.users.filter(({ key }) => key !== user.key), user] })
  return { allowance, ticks: now.free.get(user.key) ?? 0, usedUpAt: now.usedUpAt }
}

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
