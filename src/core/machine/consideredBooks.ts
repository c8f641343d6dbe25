import { bookForAccount } from '../catalogue/bookForAccount.ts'
import type { AccountFacts } from '../catalogue/account.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { keptFor } from '../keptFor.ts'
import type { Plan } from './plan.ts'

/** Ids of the providers on which machines of a plan stand, or forms that were kept of them, in the plan's order. */
export const providersUsed = ({ machines }: Pick<Plan, 'machines'>): string[] => [
  ...new Set(
    machines.flatMap(({ provider, variants = [] }) => [
      provider,
      ...variants.map(({ form }) => form.provider),
    ]),
  ),
]

/**
 * The books of the providers that a plan considers, as they are for its accounts: those that it names and those on which
 * its machines stand; all where it names none. The same array as long as it would hold the same. O(machines + books).
 */
export function consideredBooks(
  plan: Pick<Plan, 'machines' | 'providers'>,
  books: readonly PriceBook[],
): readonly PriceBook[] {
  const { providers } = plan
  if (!providers) return books
  const considered = new Map([
    ...providersUsed(plan).map((id) => [id, undefined] as const),
    ...providers.map(({ id, account }) => [id, account] as const),
  ])
  const chosen = books.flatMap((book) => {
    if (!considered.has(book.provider.id)) return []
    const account = considered.get(book.provider.id)
    return [account && !book.account ? forAccount(book, account) : book]
  })
  return chosen.length === books.length && chosen.every((book, i) => book === books[i])
    ? books
    : keptArray(books, chosen)
}

/** More accounts than anyone has beside each other while one is being edited. */
const MOST_KEPT = 20

const accountsOf = keptFor<PriceBook, Map<string, PriceBook>>(() => new Map())

function forAccount(book: PriceBook, account: AccountFacts): PriceBook {
  const kept = accountsOf(book)
  const key = JSON.stringify(account)
  let made = kept.get(key)
  if (!made) {
    if (kept.size >= MOST_KEPT) kept.clear()
    kept.set(key, (made = bookForAccount(book, account)))
  }
  return made
}

const lastOf = keptFor<readonly PriceBook[], { chosen: readonly PriceBook[] }>(() => ({ chosen: [] }))

function keptArray(books: readonly PriceBook[], chosen: readonly PriceBook[]): readonly PriceBook[] {
  const last = lastOf(books)
  const isSame = last.chosen.length === chosen.length && last.chosen.every((book, i) => book === chosen[i])
  if (!isSame) last.chosen = chosen
  return last.chosen
}
