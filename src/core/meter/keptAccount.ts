import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { BookIndex } from '../catalogue/bookIndex.ts'
import { keptFor } from '../keptFor.ts'
import { sameFields } from '../sameFields.ts'
import { shareAccount, type AccountUse, type SharedAccount } from './sharedAccount.ts'

interface KeptAccount {
  readonly uses: readonly AccountUse[]
  readonly names: readonly string[]
  readonly month: BillingMonth
  readonly account: SharedAccount
}

/** As planned and with nothing switched off, in the months that a plan is looked at ahead, now and before the last edit. */
const MOST_KEPT = 64

const accountsOf: (index: BookIndex) => KeptAccount[] = keptFor(() => [])

/**
 * `shareAccount`, or the account that was made before of the same: most edits change nothing that machines share, and
 * what was charged under the same account need not be charged anew. `orders` counts from 0 in its own order. O(machines).
 */
export function keptAccount(
  index: BookIndex,
  uses: readonly AccountUse[],
  orders: ReadonlyMap<string, number>,
  month: BillingMonth,
): SharedAccount {
  const kept = accountsOf(index)
  const names = [...orders.keys()]
  const at = kept.findIndex(
    (each) =>
      sameFields(each.month, month) &&
      sameFields(each.names, names) &&
      each.uses.length === uses.length &&
      each.uses.every((use, i) => sameFields(use, uses[i]!)),
  )
  const found =
    at === -1
      ? { uses, names, month, account: shareAccount(index, uses, orders, month) }
      : kept.splice(at, 1)[0]!
  kept.unshift(found)
  kept.length = Math.min(kept.length, MOST_KEPT)
  return found.account
}
