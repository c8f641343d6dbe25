import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { BookIndex } from '../catalogue/bookIndex.ts'
import type { FitReason } from '../fit/fitReason.ts'
import type { Choice } from '../decisions/choice.ts'
import type { Decision, PlateId } from '../machine/decision.ts'
import type { ForcedChange } from '../machine/forcedChange.ts'
import type { Machine } from '../machine/plan.ts'
import type { PlanParts, ResolvedMachine } from '../machine/resolveMachine.ts'
import type { PricedProvider } from '../meter/planPricing.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import type { Exact } from '../quantity/exact.ts'

/** A machine carried over to a choice with all that had to change. */
export interface Carried {
  readonly machine: Machine
  readonly resolved: ResolvedMachine
  readonly changes: readonly ForcedChange[]
}

/** One choice of a decision, and what the month would cost if only that choice changed. */
export interface Notch {
  readonly key: string
  readonly choice: Choice
  readonly isPresent: boolean
  /** Undefined where it has no price, as for a size that the region does not sell. */
  readonly total: Exact | undefined
  /** `total` less the present total. */
  readonly difference: Exact | undefined
  /** Why it is closed; empty where it fits. The present choice can be closed too. */
  readonly reasons: readonly FitReason[]
  /** The book of another provider that a place is in. */
  readonly index?: BookIndex
  /** What else must change for it; its total is that of the machine with all of it changed. */
  readonly carried?: Carried
}

/** Why a plate shows no more than its value. */
export type Fold = 'pinned' | 'only-choice' | 'nothing-else-fits' | 'same-cost' | 'only-adds'

export interface Plate {
  readonly id: PlateId
  readonly decision: Decision
  /** Of a data disk, counted from 1. */
  readonly position?: number
  /** From the cheapest to the dearest, equal ones by name; those without a price come last. */
  readonly notches: readonly Notch[]
  /** Index of the present choice. */
  readonly present: number
  readonly fold: Fold | undefined
}

export interface PlatesInputs {
  readonly resolved: ResolvedMachine
  readonly plan: PlanParts
  readonly month: BillingMonth
  /** What the account's machines share; this one's part is worked out anew for each choice. */
  readonly shared?: SharedAccount | undefined
  /** The other providers that the machine can be moved to. */
  readonly elsewhere?: readonly PricedProvider[]
}

/** True where the choice can be taken by itself. */
export const isOpen = ({ total, reasons, carried }: Notch): boolean =>
  total !== undefined && reasons.length === 0 && !carried

/** True where it does not fit; what is chosen now never is, though it can lack something. */
export const isClosed = ({ isPresent, reasons }: Notch): boolean => !isPresent && reasons.length > 0

/** The nearest fitting choice that is cheaper (-1) or dearer (1) than the present one, going along the plate. */
export function nextNotch(plate: Plate, direction: -1 | 1): Notch | undefined {
  for (let i = plate.present + direction; i >= 0 && i < plate.notches.length; i += direction) {
    const notch = plate.notches[i]!
    if (isOpen(notch)) return notch
  }
  return undefined
}

/** The cheapest choice that can be taken by itself; undefined where that is no cheaper than the present one. */
export function cheapestNotch({ notches }: Plate): Notch | undefined {
  const cheapest = notches.find(isOpen)
  return cheapest?.difference && cheapest.difference.n < 0n ? cheapest : undefined
}
