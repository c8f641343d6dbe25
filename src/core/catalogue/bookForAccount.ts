import type { GiB } from '../quantity/units.ts'
import type { AccountFacts, Quotas } from './account.ts'
import type { FreeAllowance, PriceBook } from './priceBook.ts'

/** The book as it is for an account: its quotas and what is left of allowances; what it may not have is closed by `fit/`. */
export function bookForAccount(book: PriceBook, account: AccountFacts): PriceBook {
  const { quotas, freeAllowances } = book
  const limits: Quotas = {
    ...quotas,
    ...account.quotas,
    ...((quotas?.vcpuByRegion ?? account.quotas?.vcpuByRegion) && {
      vcpuByRegion: { ...quotas?.vcpuByRegion, ...account.quotas?.vcpuByRegion },
    }),
    ...((quotas?.vcpuByFamily ?? account.quotas?.vcpuByFamily) && {
      vcpuByFamily: { ...quotas?.vcpuByFamily, ...account.quotas?.vcpuByFamily },
    }),
  }
  return {
    ...book,
    account,
    quotas: limits,
    ...(freeAllowances && { freeAllowances: freeAllowances.map((each) => leftOf(each, account)) }),
  }
}

function leftOf(allowance: FreeAllowance, { used = [] }: AccountFacts): FreeAllowance {
  const own = used.find((each) => each.allowance === allowance.id)
  if (!own) return allowance
  const { hoursPerMonth, gibPerMonth } = allowance
  return {
    ...allowance,
    ...(hoursPerMonth !== undefined && {
      hoursPerMonth: Math.max(0, hoursPerMonth - (own.hoursPerMonth ?? 0)),
    }),
    ...(gibPerMonth !== undefined && {
      gibPerMonth: Math.max(0, gibPerMonth - (own.gibPerMonth ?? 0)) as GiB,
    }),
  }
}
