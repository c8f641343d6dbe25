import type { BillingMonth } from '../calendar/billingMonth.ts'
import { addressRate, memoryImageRate } from '../catalogue/regionRates.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { unitsExact } from '../quantity/rate.ts'
import { lengthOf } from '../quantity/units.ts'
import { missingPrice, type Charge, type MissingPrice } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { withAmount } from './amountOf.ts'
import { hourPieces, hourTicks } from './clockPieces.ts'

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
    charges.push(
      withAmount({
        meter: 'address',
        subject: { of: 'address', sort, use },
        rate,
        units: unitsExact(1),
        pieces: hourPieces(pieces, month),
        ...hourTicks(month),
      }),
    )
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
  return [
    withAmount({
      meter: 'memory-image',
      subject: { of: 'memory', memoryGiB: size.memoryGiB },
      rate,
      units: unitsExact(size.memoryGiB),
      pieces: metered.memoryImage,
      ticksPerPeriod: lengthOf(month),
      ticksPerSecond: 1,
    }),
  ]
}
