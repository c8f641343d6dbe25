import { chargedTotal } from '../meter/machineTotal.ts'
import { meterOn } from '../meter/meterMachine.ts'
import type { PricedMachine } from '../meter/planPricing.ts'
import { isNeverOff } from '../off/offPlan.ts'
import { compare, type Exact } from '../quantity/exact.ts'

/** Where a machine's month goes. */
export interface MachineShare {
  readonly total: Exact
  /** What it would cost if it were off all month in its own way: what no schedule saves. At most `total`. */
  readonly floor: Exact
  /** With nothing in the account ever switched off. */
  readonly alwaysOn: Exact
}

/** Priced by the meter that prices the month. O(charges). */
export function machineShare({ resolved, month, estimate, account }: PricedMachine): MachineShare {
  const { total, alwaysOn } = estimate
  if (isNeverOff(resolved.machine)) return { total, alwaysOn, floor: total }
  const off = chargedTotal(resolved, meterOn(resolved, [], month), month, account.planned)
  const floor = off.ok && compare(off.value, total) <= 0 ? off.value : total
  return { total, alwaysOn, floor }
}
