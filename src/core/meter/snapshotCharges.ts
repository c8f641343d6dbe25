import type { BillingMonth } from '../calendar/billingMonth.ts'
import { restoreRate, snapshotRate } from '../catalogue/regionRates.ts'
import { restoredGiB, usedGiB } from '../machine/snapshots.ts'
import { disksOf, type ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Exact } from '../quantity/exact.ts'
import { unitsExact } from '../quantity/rate.ts'
import { lengthOf, type GiB } from '../quantity/units.ts'
import { missingPrice, type Charge, type MissingPrice } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { withAmount } from './amountOf.ts'

/** GiB that the kept snapshots hold: the first one what is used, each later one what changed. */
export const heldGiB = (used: GiB, kept: number, changedPercent: number): Exact => {
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
    charges.push(
      withAmount({
        meter: 'snapshot',
        subject: { of: 'snapshots', position: each.position, usedGiB: used, kept, changedPercent },
        rate,
        units: heldGiB(used, kept, changedPercent),
        pieces: metered.always,
        ticksPerPeriod: lengthOf(month),
        ticksPerSecond: 1,
      }),
    )
  }
  const restored = restoredGiB(resolved)
  const rate = restoreRate(region)
  if (rate && restored > 0 && metered.creations.ticks > 0) {
    charges.push(
      withAmount({
        meter: 'restore',
        subject: { of: 'restore', restoredGiB: restored, times: metered.creations.ticks },
        rate,
        units: unitsExact(restored),
        pieces: metered.creations,
        ticksPerPeriod: 1,
        ticksPerSecond: 0,
      }),
    )
  }
  return charges
}
