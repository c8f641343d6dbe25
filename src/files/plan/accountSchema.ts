import type { AccountFacts, UsedAllowance } from '../../core/catalogue/account.ts'
import type { ConsideredProvider } from '../../core/machine/plan.ts'
import { MOST_SIZES } from '../priceBook/bookLimits.ts'
import { quotas } from '../priceBook/quotasSchema.ts'
import { count, id, listOf, need, objectOf, room } from '../reading/rules.ts'

const account = objectOf<AccountFacts>({
  families: listOf(id, 200)
    .unique()
    .description('The account may have sizes of these families, and those of sizes, alone.'),
  sizes: listOf(id, MOST_SIZES).unique(),
  quotas: quotas.description('They go before those of the price book, one by one.'),
  used: listOf(
    objectOf<UsedAllowance>({
      allowance: need(id),
      hoursPerMonth: count(1_000_000),
      gibPerMonth: room,
    }),
    50,
  )
    .unique('allowance', { ignoreUndefined: true })
    .description('What others use of free allowances each month.'),
}).description('What the person’s account may do there, where that is less than the price book says.')

/** A provider that a plan considers. */
export const consideredProvider = objectOf<ConsideredProvider>({ id: need(id), account })
