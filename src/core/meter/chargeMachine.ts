import type { BillingMonth } from '../calendar/billingMonth.ts'
import { changeTimes } from '../catalogue/changeTimes.ts'
import { restoredGiB } from '../machine/snapshots.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { monthTimeline } from '../power/monthTimeline.ts'
import type { Span } from '../quantity/units.ts'
import { addressCharges, memoryImageCharges } from './addressCharges.ts'
import type { Charge, MissingPrice } from './charge.ts'
import { computeCharges } from './computeCharges.ts'
import { diskCharges } from './diskCharges.ts'
import { licenceCharges } from './licenceCharges.ts'
import { meteredMonth, type MeteredMonth } from './meteredMonth.ts'
import type { SharedAccount } from './sharedAccount.ts'
import { snapshotCharges } from './snapshotCharges.ts'
import { trafficCharges } from './trafficCharges.ts'

/** When each meter of this machine runs in the month. The book must have the machine's off state. */
export function meterMachine(resolved: ResolvedMachine, month: Span): MeteredMonth {
  const { machine, index, size, week } = resolved
  const changes = changeTimes(index.book, machine.off, size.memoryGiB, restoredGiB(resolved))
  return meteredMonth(monthTimeline(week, machine.off, changes, month), index.book)
}

/**
 * Every charge of one machine for one month, in the order in which a bill is read; the one calculation behind every
 * figure. `shared` is what the account's machines use together; without it the machine has the account to itself and
 * no free allowance. O(disks + pieces of thresholds) once the week is metered.
 */
export function chargeMachine(
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Charge[] | MissingPrice {
  const charges: Charge[] = []
  const parts = [
    computeCharges(resolved, metered, month, shared),
    licenceCharges(resolved, metered, month),
    diskCharges(resolved, metered, month, shared),
    snapshotCharges(resolved, metered, month),
    addressCharges(resolved, metered, month),
    memoryImageCharges(resolved, metered, month),
    trafficCharges(resolved, metered, month, shared),
  ]
  for (const part of parts) {
    if ('code' in part) return part
    charges.push(...part)
  }
  return charges
}
