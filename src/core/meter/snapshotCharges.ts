import { restoreRate, snapshotRate } from '../catalogue/regionRates.ts'
import { usedGiB } from '../machine/snapshots.ts'
import type { Exact } from '../quantity/exact.ts'
import { unitsExact } from '../quantity/rate.ts'
import type { GiB } from '../quantity/units.ts'
import { accept, type Outcome } from '../outcome.ts'
import { missingPrice, type Charge, type MissingPrice } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { disksOfReads, regionOf, type BelongingsReads } from './chargeReads.ts'
import { monthTariff } from './clockPieces.ts'
import { makeCharge } from './makeCharge.ts'

/** GiB that the kept snapshots hold: the first one what is used, each later one what changed. */
const heldGiB = (used: GiB, kept: number, changedPercent: number): Exact => {
  const { n, d } = unitsExact(used)
  return { n: n * BigInt(100 + (kept - 1) * changedPercent), d: d * 100n }
}

/** Snapshots are charged in every state, as they stand once all that are kept exist; and what is restored from them. */
export function snapshotCharges(
  reads: BelongingsReads,
  context: ChargeContext,
): Outcome<Charge[], MissingPrice> {
  const { metered, month, index } = context
  const region = regionOf(reads, context)
  const image = index.images.get(reads.image)!
  const charges: Charge[] = []
  for (const each of disksOfReads(reads, context)) {
    const { snapshots } = each.disk
    if (!snapshots || snapshots.kept === 0) continue
    const rate = snapshotRate(region)
    if (!rate) return missingPrice('snapshots')
    const { kept, changedPercent } = snapshots
    const used = usedGiB({ image }, each)
    const subject = { of: 'snapshots', position: each.position, usedGiB: used, kept, changedPercent } as const
    const tariff = monthTariff(rate, heldGiB(used, kept, changedPercent), month)
    charges.push(makeCharge('snapshot', subject, tariff, metered.always))
  }
  const { restoredGiB } = reads
  const rate = restoredGiB > 0 ? restoreRate(region) : undefined
  if (rate && metered.creations.ticks > 0) {
    const subject = { of: 'restore', restoredGiB, times: metered.creations.ticks } as const
    const tariff = { rate, units: unitsExact(restoredGiB), ticksPerPeriod: 1, ticksPerSecond: 0 }
    charges.push(makeCharge('restore', subject, tariff, metered.creations))
  }
  return accept(charges)
}
