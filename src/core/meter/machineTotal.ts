import type { BillingMonth, MonthReading } from '../calendar/billingMonth.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import { keptFor } from '../keptFor.ts'
import { accept, type Outcome } from '../outcome.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { sameFields } from '../sameFields.ts'
import type { MissingPrice } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { chargeBelongings, chargeHardware, type ChargedPart } from './chargeMachine.ts'
import { belongingsReads, hardwareReads, type BelongingsReads, type HardwareReads } from './chargeReads.ts'
import { meterMachine } from './meterMachine.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import type { SharedAccount } from './sharedAccount.ts'
import { sumCharges } from './sumCharges.ts'

/**
 * The month's exact total, or undefined where it has no price or its book lacks a state: what every choice of every
 * plate is compared by.
 */
export function machineTotal(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared?: SharedAccount,
): Exact | undefined {
  if (lackedState(resolved.machine, resolved.index.book)) return undefined
  const total = chargedTotal(resolved, meterMachine(resolved, month), month, shared)
  return total.ok ? total.value : undefined
}

/**
 * The sum of `chargeMachine`, where nobody reads its charges one by one. What was charged before is not charged anew:
 * all sizes of a book are charged once, and when another notch is moved, each costs a look-up.
 */
export function chargedTotal(
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Outcome<Exact, MissingPrice> {
  const { hardware, belongings } = keptTotals(metered)(shared ?? ALONE)[month.reading]
  const context = { index: resolved.index, metered, month, shared }
  const ofHardware = hardware.of(hardwareReads(resolved), context)
  if (!ofHardware.ok) return ofHardware
  const ofBelongings = belongings.of(belongingsReads(resolved), context)
  if (!ofBelongings.ok) return ofBelongings
  const sum = add(ofHardware.value, ofBelongings.value)
  return accept(sumCharges(sum, context).reduce((total, { amount }) => add(total, amount), sum))
}

/** About 300 bytes each. */
const MOST_KEPT = 8_192

/** Totals of one part of a machine in one context, by all that the part reads. */
class KeptTotals<Reads extends object> {
  private readonly totals = new Map<string, Outcome<Exact, MissingPrice>>()
  /** A thousand sizes have their disks in common, and need not spell them out. */
  private last: { readonly reads: Reads; readonly total: Outcome<Exact, MissingPrice> } | undefined

  constructor(private readonly part: ChargedPart<Reads>) {}

  of(reads: Reads, context: ChargeContext): Outcome<Exact, MissingPrice> {
    if (this.last && sameFields(this.last.reads, reads)) return this.last.total
    const key = JSON.stringify(Object.values(reads))
    let total = this.totals.get(key)
    if (!total) {
      const charges = this.part(reads, context)
      total = charges.ok ? accept(charges.value.reduce((sum, { amount }) => add(sum, amount), ZERO)) : charges
      if (this.totals.size >= MOST_KEPT) this.totals.clear()
      this.totals.set(key, total)
    }
    this.last = { reads, total }
    return total
  }
}

interface PartTotals {
  readonly hardware: KeptTotals<HardwareReads>
  readonly belongings: KeptTotals<BelongingsReads>
}

const partTotals = (): PartTotals => ({
  hardware: new KeptTotals(chargeHardware),
  belongings: new KeptTotals(chargeBelongings),
})

const ALONE: object = {}

/** A metered month is of one book and one month; what else charges are made in is the account and the reading. */
const keptTotals: (metered: MeteredMonth) => (shared: object) => Readonly<Record<MonthReading, PartTotals>> =
  keptFor(() => keptFor(() => ({ calendar: partTotals(), '730-hours': partTotals() })))
