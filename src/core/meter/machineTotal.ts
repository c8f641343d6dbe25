import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import type { Charge } from './charge.ts'
import { chargeHardware, chargeBelongings, meterMachine, type ChargedPart } from './chargeMachine.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import type { SharedAccount } from './sharedAccount.ts'

export function totalOf(charges: readonly Charge[]): Exact {
  let total = ZERO
  for (const charge of charges) total = add(total, charge.amount)
  return total
}

/** The total of one part, and all that it was made of. */
interface Kept {
  readonly of: readonly unknown[]
  readonly total: Exact | undefined
}

/** The last total of each part of a schedule: choices of one decision differ in one part, and have the other in common. */
interface LastTotals {
  hardware?: Kept
  belongings?: Kept
}

const kept = new WeakMap<MeteredMonth, LastTotals>()

/**
 * The month's exact total, or undefined where it has no price. What every choice of every plate is compared by: the
 * charges are those of `chargeMachine`, and a part that is the same as the last time is not charged anew.
 */
export function machineTotal(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared?: SharedAccount,
): Exact | undefined {
  const { machine, index, size, region, terms, image, systemKind, dataKinds } = resolved
  if (!index.book.states[machine.off]) return undefined
  const metered = meterMachine(resolved, month)
  let last = kept.get(metered)
  if (!last) kept.set(metered, (last = {}))
  const { name, ownLicence, trafficOutGiB, off } = machine
  const hardware = [size, region, terms, image, ownLicence, trafficOutGiB, name, month, shared]
  if (!last.hardware || !same(last.hardware.of, hardware)) {
    last.hardware = { of: hardware, total: partTotal(chargeHardware, resolved, metered, month, shared) }
  }
  if (!last.hardware.total) return undefined
  const { systemDisk, dataDisks, address, addressGoes } = machine
  const kinds = dataKinds.map(({ id }) => id).join()
  const disks = [region, image, systemKind, kinds, systemDisk, dataDisks]
  const belongings = [...disks, address, addressGoes, off, name, month, shared]
  if (!last.belongings || !same(last.belongings.of, belongings)) {
    last.belongings = { of: belongings, total: partTotal(chargeBelongings, resolved, metered, month, shared) }
  }
  return last.belongings.total && add(last.hardware.total, last.belongings.total)
}

function partTotal(
  part: ChargedPart,
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Exact | undefined {
  const charges = part(resolved, metered, month, shared)
  return 'code' in charges ? undefined : totalOf(charges)
}

const same = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.every((each, i) => Object.is(each, b[i]))
