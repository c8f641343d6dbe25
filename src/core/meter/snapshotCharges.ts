import type { BillingMonth } from '../calendar/billingMonth.ts'
import { restoreRate, snapshotRate } from '../catalogue/regionRates.ts'
import { restoredGiB, usedGiB } from '../machine/snapshots.ts'
import { disksOf, type ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Exact } from '../quantity/exact.ts'
import { unitsExact } from '../quantity/rate.ts'
import type { GiB } from '../quantity/units.ts'
import { missingPrice, type Charge, type MissingPrice } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { monthTariff } from './clockPieces.ts'
import { makeCharge } from './makeCharge.ts'

/** GiB that the kept snapshots hold: the first one what is used, each later one what changed. */
const heldGiB = (used: GiB, kept: number, changedPercent: number): Exact => {
  const { n, d } = unitsExact(used)
  return { n: n * BigInt(100 + (kept - 1) * changedPercent), d: d * 100n }
}

/** Snapshots are charged in every state, as they stand once all that are kept exist; and what is restored from them. */
export function snapshotCharges(
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
): Charge[] | MissingPrice {
  const { region } = resolved
  const charges: Charge[] = []
  for (const each of disksOf(resolved)) {
    const { snapshots } = each.disk
    if (!snapshots || snapshots.kept === 0) continue
    const rate = snapshotRate(region)
    if (!rate) return missingPrice('snapshots')
    const { kept, changedPercent } = snapshots
    const used = usedGiB(resolved, each)
    const subject = { of: 'snapshots', position: each.position, usedGiB: used, kept, changedPercent } as const
    const tariff = monthTariff(rate, heldGiB(used, kept, changedPercent), month)
    charges.push(makeCharge('snapshot', subject, tariff, metered.always))
  }
  const restored = restoredGiB(resolved)
  const rate = restored > 0 ? restoreRate(region) : undefined
  if (rate && metered.creations.ticks > 0) {
    const subject = { of: 'restore', restoredGiB: restored, times: metered.creations.ticks } as const
    const tariff = { rate, units: unitsExact(restored), ticksPerPeriod: 1, ticksPerSecond: 0 }
    charges.push(makeCharge('restore', subject, tariff, metered.creations))
  }
  return charges
}
