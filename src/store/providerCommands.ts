import type { Draft } from 'immer'
import type { AccountFacts } from '../core/catalogue/account.ts'
import { providersUsed } from '../core/machine/consideredBooks.ts'
import type { ConsideredProvider, Plan } from '../core/machine/plan.ts'
import type { Recipe } from './change.ts'
import { patch } from './recipes.ts'

/** Whose prices a plan looks at. A provider on which a machine stands is considered whatever is said. */

/** What is named from now on; a plan that named nobody so far named those that it used. */
const named = (draft: Draft<Plan>): Draft<ConsideredProvider>[] =>
  (draft.providers ??= providersUsed(draft as Plan).map((id) => ({ id })))

export const considerProviders =
  (ids: readonly string[]): Recipe =>
  (draft) => {
    const providers = named(draft)
    for (const id of ids) if (providers.every((each) => each.id !== id)) providers.push({ id })
  }

export const leaveProvider =
  (id: string): Recipe =>
  (draft) => {
    draft.providers = named(draft).filter((each) => each.id !== id)
  }

/** What the account may do there; a provider that was not named is now. */
export const setAccount =
  (id: string, account: AccountFacts | undefined): Recipe =>
  (draft) => {
    considerProviders([id])(draft)
    patch(
      named(draft).find((each) => each.id === id)!,
      { account: account as Draft<AccountFacts> | undefined },
    )
  }
