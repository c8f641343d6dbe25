import type { MeteredContext } from './chargeReads.ts'
import type { SharedAccount } from './sharedAccount.ts'

/** What charges are made in, beside what they read of the machine. */
export interface ChargeContext extends MeteredContext {
  /** What the account's machines use together; without it the machine has no free allowance and sends alone. */
  readonly shared: SharedAccount | undefined
}
