import { addressRate, memoryImageRate } from '../catalogue/regionRates.ts'
import { unitsExact } from '../quantity/rate.ts'
import { accept, type Outcome } from '../outcome.ts'
import { missingPrice, type Charge, type MissingPrice } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { regionOf, type BelongingsReads, type HardwareReads } from './chargeReads.ts'
import { hourPieces, hourTariff, monthTariff } from './clockPieces.ts'
import { makeCharge } from './makeCharge.ts'

/** A public address at the rate of its use in each state. One that goes with the machine is never unattached. */
export function addressCharges(
  reads: BelongingsReads,
  context: ChargeContext,
): Outcome<Charge[], MissingPrice> {
  const { address: sort, addressGoes } = reads
  if (sort === 'none') return accept([])
  const { metered, month } = context
  const region = regionOf(reads, context)
  const charges: Charge[] = []
  for (const [use, pieces] of metered.address) {
    if (use === 'unattached' && (sort === 'changing' || addressGoes)) continue
    const rate = addressRate(region, sort, use)
    if (!rate) return missingPrice('address')
    const subject = { of: 'address', sort, use } as const
    charges.push(makeCharge('address', subject, hourTariff(rate, 1, month), hourPieces(pieces, month)))
  }
  return accept(charges)
}

/** Memory written to disk, where the provider charges it. */
export function memoryImageCharges(
  reads: HardwareReads,
  context: ChargeContext,
): Outcome<Charge[], MissingPrice> {
  const { metered, month } = context
  if (metered.memoryImage.ticks === 0) return accept([])
  const rate = memoryImageRate(regionOf(reads, context))
  if (!rate) return missingPrice('memory-image')
  const { memoryGiB } = reads
  const tariff = monthTariff(rate, unitsExact(memoryGiB), month)
  return accept([makeCharge('memory-image', { of: 'memory', memoryGiB }, tariff, metered.memoryImage)])
}
