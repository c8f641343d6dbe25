import { type MachineDecision, choiceKey, decisionsOf, presentChoice } from '../decisions/choice.ts'
import { plateId, type Decision } from '../machine/decision.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { isZero, subtract, type Exact } from '../quantity/exact.ts'
import { carriedPlaces } from './carriedPlaces.ts'
import type { Fold, Notch, Plate, PlatesInputs } from './plate.ts'
import { byTotal, pricedChoices } from './pricedChoices.ts'

/**
 * All plates of one machine. Every choice is priced by the same meter as the machine itself; schedules are metered
 * once and shared. O(choices × log choices).
 */
export function platesOf(inputs: PlatesInputs): Plate[] {
  const present = machineTotal(inputs.resolved, inputs.month, inputs.shared)
  return decisionsOf(inputs.resolved).map((decision) => plateOf(inputs, decision, present))
}

function plateOf(inputs: PlatesInputs, asked: MachineDecision, present: Exact | undefined): Plate {
  const { resolved } = inputs
  const { decision, position } = asked
  const presentKey = choiceKey(presentChoice(resolved, asked))
  const within = pricedChoices(inputs, asked).map(({ key, choice, total, reasons }): Notch => {
    const difference = total && present && subtract(total, present)
    return { key, choice, isPresent: key === presentKey, total, difference, reasons }
  })
  const notches = decision === 'place' ? carriedPlaces(inputs, within, present).sort(byTotal) : within
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
