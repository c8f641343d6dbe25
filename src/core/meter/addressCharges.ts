import type { BillingMonth } from '../calendar/billingMonth.ts'
import { addressRate, memoryImageRate } from '../catalogue/regionRates.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { unitsExact } from '../quantity/rate.ts'
import { missingPrice, type Charge, type MissingPrice } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { makeCharge } from './makeCharge.ts'
import { hourPieces, hourTariff, monthTariff } from './clockPieces.ts'

/** A public address at the rate of its use in each state. One that goes with the machine is never unattached. */
export function addressCharges(
  { machine, region }: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
): Charge[] | MissingPrice {
  const { address: sort } = machine
  if (sort === 'none') return []
  const charges: Charge[] = []
  for (const [use, pieces] of metered.address) {
    if (use === 'unattached' && (sort === 'changing' || machine.addressGoes)) continue
    const rate = addressRate(region, sort, use)
    if (!rate) return missingPrice('address')
    const subject = { of: 'address', sort, use } as const
    charges.push(makeCharge('address', subject, hourTariff(rate, 1, month), hourPieces(pieces, month)))
  }
  return charges
}

/** Memory written to disk, where the provider charges it. */
export function memoryImageCharges(
  { region, size }: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
): Charge[] | MissingPrice {
  if (metered.memoryImage.ticks === 0) return []
  const rate = memoryImageRate(region)
  if (!rate) return missingPrice('memory-image')
  const tariff = monthTariff(rate, unitsExact(size.memoryGiB), month)
  return [
    makeCharge('memory-image', { of: 'memory', memoryGiB: size.memoryGiB }, tariff, metered.memoryImage),
  ]
}
