import type { GiB } from '../quantity/units.ts'

/** What an account may have at the most. */
export interface Quotas {
  readonly vcpu?: number
  readonly vcpuByRegion?: { readonly [regionId: string]: number }
  readonly vcpuByFamily?: { readonly [familyId: string]: number }
  readonly machines?: number
  readonly fixedAddresses?: number
}

/** What the person's own account may do at a provider, where that is less than the price book says. */
export interface AccountFacts {
  /** It may have sizes of these families, and these sizes, alone. */
  readonly families?: readonly string[]
  readonly sizes?: readonly string[]
  /** They go before the book's own, one by one. */
  readonly quotas?: Quotas
  /** What others use of allowances each month. */
  readonly used?: readonly UsedAllowance[]
}

export interface UsedAllowance {
  /** Id of one of the book's free allowances. */
  readonly allowance: string
  readonly hoursPerMonth?: number
  readonly gibPerMonth?: GiB
}
