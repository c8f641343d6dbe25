import type { FitReason } from '../fit/fitReason.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { choiceKey } from '../machine/choice.ts'
import { plateId, type Decision } from '../machine/decision.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { compare, isZero, subtract, type Exact } from '../quantity/exact.ts'
import { carriedPlaces } from './carriedPlaces.ts'
import { choicesOf, decisionsOf, presentChoice, type MachineDecision } from './choicesOf.ts'
import type { Fold, Notch, Plate, PlatesInputs } from './plate.ts'
import { resolveChoice } from './resolveChoice.ts'

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
