import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { accept, type Outcome } from '../outcome.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { addressCharges, memoryImageCharges } from './addressCharges.ts'
import { METERS, type Charge, type MissingPrice } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { belongingsReads, hardwareReads, type BelongingsReads, type HardwareReads } from './chargeReads.ts'
import { computeCharges } from './computeCharges.ts'
import { diskCharges } from './diskCharges.ts'
import { licenceCharges } from './licenceCharges.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import type { SharedAccount } from './sharedAccount.ts'
import { snapshotCharges } from './snapshotCharges.ts'
import { sumCharges } from './sumCharges.ts'
import { trafficCharges } from './trafficCharges.ts'

/** Charges of one part of a machine, by what it may read of the machine; or the price that is missing. */
export type ChargedPart<Reads> = (reads: Reads, context: ChargeContext) => Outcome<Charge[], MissingPrice>

/** What follows from the size, its terms and the image: machine time, licences, memory on disk, traffic. */
export const chargeHardware: ChargedPart<HardwareReads> = (...inputs) => allOf(HARDWARE, inputs)
const HARDWARE = [computeCharges, licenceCharges, memoryImageCharges, trafficCharges]

/** What the machine has beside its hardware: disks, snapshots, the address. */
export const chargeBelongings: ChargedPart<BelongingsReads> = (...inputs) => allOf(BELONGINGS, inputs)
const BELONGINGS = [diskCharges, snapshotCharges, addressCharges]

function allOf<Reads>(
  parts: readonly ChargedPart<Reads>[],
  inputs: Parameters<ChargedPart<Reads>>,
): Outcome<Charge[], MissingPrice> {
  const charges: Charge[] = []
  for (const part of parts) {
    const own = part(...inputs)
    if (!own.ok) return own
    for (const charge of own.value) charges.push(charge)
  }
  return accept(charges)
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
): Outcome<Charge[], MissingPrice> {
  const context = { index: resolved.index, metered, month, shared }
  const hardware = chargeHardware(hardwareReads(resolved), context)
  if (!hardware.ok) return hardware
  const belongings = chargeBelongings(belongingsReads(resolved), context)
  if (!belongings.ok) return belongings
  const rank = ({ meter }: Charge): number => METERS.indexOf(meter)
  const parts = [...hardware.value, ...belongings.value]
  const sum = parts.reduce<Exact>((total, { amount }) => add(total, amount), ZERO)
  return accept([...parts, ...sumCharges(sum, context)].sort((a, b) => rank(a) - rank(b)))
}
