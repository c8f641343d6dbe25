import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { choiceKey, type Choice } from '../machine/choice.ts'
import { plateId, type Decision, type PlateId } from '../machine/decision.ts'
import type { PlanParts, ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/estimateMachine.ts'
import type { ProviderOffer } from '../meter/planPricing.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { compare, isZero, subtract, type Exact } from '../quantity/exact.ts'
import { choicesOf, decisionsOf, presentChoice, type MachineDecision } from './choicesOf.ts'
import { carriedPlaces, type Carried } from './carriedPlaces.ts'
import { resolveChoice } from './resolveChoice.ts'

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
  readonly elsewhere?: readonly ProviderOffer[]
}

/**
 * All plates of one machine. Every choice is priced by the same meter as the machine itself; schedules are metered
 * once and shared. O(choices × log choices).
 */
export function platesOf(inputs: PlatesInputs): Plate[] {
  const present = machineTotal(inputs.resolved, inputs.month, inputs.shared)
  return decisionsOf(inputs.resolved).map((decision) => plateOf(inputs, decision, present))
}

function plateOf(inputs: PlatesInputs, asked: MachineDecision, present: Exact | undefined): Plate {
  const { resolved, plan, month, shared } = inputs
  const { decision, position } = asked
  const presentKey = choiceKey(presentChoice(resolved, asked))
  const within = choicesOf(resolved, asked, plan.weeks).map((choice): Notch => {
    const key = choiceKey(choice)
    const isPresent = key === presentKey
    const changed = isPresent ? resolved : resolveChoice(resolved, choice)
    const total = isPresent ? present : machineTotal(changed, month, shared)
    const difference = total && present && subtract(total, present)
    // Of a further disk, its absence is the present machine.
    const reasons =
      isPresent && decision === 'new-disk' ? NO_REASONS : fitReasons(changed, decision, position)
    return { key, choice, isPresent, total, difference, reasons }
  })
  const notches = decision === 'place' ? carriedPlaces(inputs, within, present) : within
  notches.sort(byTotal)
  const id = plateId(decision, position)
  return {
    id,
    decision,
    ...(position !== undefined && { position }),
    notches,
    present: notches.findIndex(({ isPresent }) => isPresent),
    fold: resolved.machine.pinned?.includes(id) ? 'pinned' : foldOf(decision, notches),
  }
}

const NO_REASONS: readonly FitReason[] = []

/** A plate folds where none of its choices could save or cost anything, and where it can only add. */
function foldOf(decision: Decision, notches: readonly Notch[]): Fold | undefined {
  if (notches.length <= 1) return 'only-choice'
  const others = notches.filter(
    ({ isPresent, reasons, total }) => !isPresent && reasons.length === 0 && total,
  )
  if (others.length === 0) return 'nothing-else-fits'
  if (others.every(({ difference }) => difference && isZero(difference))) return 'same-cost'
  return decision === 'new-disk' ? 'only-adds' : undefined
}

function byTotal(a: Notch, b: Notch): number {
  if (a.total && b.total) return compare(a.total, b.total) || (a.key < b.key ? -1 : 1)
  return a.total ? -1 : b.total ? 1 : a.key < b.key ? -1 : 1
}

/** True where the choice can be taken by itself. */
export const isOpen = ({ total, reasons, carried }: Notch): boolean =>
  total !== undefined && reasons.length === 0 && !carried

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
