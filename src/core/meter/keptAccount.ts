import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { shareAccount, sharedUse, type AccountMember, type SharedAccount } from './sharedAccount.ts'

interface KeptAccount {
  readonly of: readonly (readonly unknown[])[]
  readonly account: SharedAccount
}

/** As planned and with nothing switched off, now and as it was before the last edit. */
const MOST_KEPT = 4

const kept = new WeakMap<PriceBook, readonly KeptAccount[]>()

/**
 * `shareAccount`, or the account that was made before of the same: most edits change nothing that machines share, and
 * what was charged under the same account need not be charged anew. O(machines).
 */
export function keptAccount(
  book: PriceBook,
  members: readonly AccountMember[],
  orders: ReadonlyMap<string, number>,
  month: BillingMonth,
): SharedAccount {
  const of = [[month.from, month.to, month.reading, ...orders.keys()], ...members.map(sharedUse)]
  const before = kept.get(book) ?? []
  const same = before.find(
    (each) => each.of.length === of.length && each.of.every((uses, i) => alike(uses, of[i]!)),
  )
  const found = same ?? { of, account: shareAccount(book, members, orders, month) }
  kept.set(book, [found, ...before.filter((each) => each !== same)].slice(0, MOST_KEPT))
  return found.account
}

const alike = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, i) => Object.is(each, b[i]))
