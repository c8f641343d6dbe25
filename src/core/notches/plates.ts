import {
  type MachineDecision,
  choiceKey,
  decisionsOf,
  presentChoice,
  resolveChoice,
} from '../decisions/choice.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { plateId, type Decision } from '../machine/decision.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { isSame, isZero, subtract, type Exact } from '../quantity/exact.ts'
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
  const presentKey = choiceKey(presentChoice(resolved, asked))
  const within = pricedChoices(inputs, asked).map(({ key, choice, total, reasons }): Notch => {
    const difference = total && present && subtract(total, present)
    return { key, choice, isPresent: key === presentKey, total, difference, reasons }
  })
  const isPlace = asked.decision === 'place'
  return laidOut(resolved, asked, isPlace ? carriedPlaces(inputs, within, present).sort(byTotal) : within)
}

/** The plate of a decision with these notches, from the cheapest to the dearest. */
function laidOut(
  { machine }: ResolvedMachine,
  { decision, position }: MachineDecision,
  notches: readonly Notch[],
): Plate {
  const id = plateId(decision, position)
  return {
    id,
    decision,
    ...(position !== undefined && { position }),
    notches,
    present: notches.findIndex(({ isPresent }) => isPresent),
    fold: machine.pinned?.includes(id) ? 'pinned' : foldOf(decision, notches),
  }
}

/**
 * The plates of a machine that stands in the plan between two others that are the same but for their names, from theirs: a
 * total that is the same before and after it is its own, and only the other ones are priced; where there are none, the very
 * plates of the one before. Undefined where one of those is of a machine that is carried over. O(choices), and a run of the
 * meter for each total that differs.
 */
export function platesBetween(
  inputs: PlatesInputs,
  before: readonly Plate[],
  after: readonly Plate[],
): readonly Plate[] | undefined {
  if (before === after) return before
  const { resolved, month, shared } = inputs
  const present = machineTotal(resolved, month, shared)
  const plates: Plate[] = []
  for (const [at, asked] of decisionsOf(resolved).entries()) {
    const [plate, other] = [before[at]!, after[at]!]
    const totals = new Map(other.notches.map(({ key, total }) => [key, total]))
    const differing = new Set(plate.notches.filter(({ key, total }) => !isSame(total, totals.get(key))))
    if (differing.size === 0 && isSame(present, plate.notches[plate.present]?.total)) {
      plates.push(plate)
      continue
    }
    if ([...differing].some(({ carried, index }) => carried || index)) return undefined
    const totalOf = (notch: Notch): Exact | undefined =>
      differing.has(notch) ? machineTotal(resolveChoice(resolved, notch.choice), month, shared) : notch.total
    const notches = plate.notches.map((notch) => {
      const total = notch.isPresent ? present : totalOf(notch)
      return { ...notch, total, difference: total && present && subtract(total, present) }
    })
    plates.push(laidOut(resolved, asked, notches.sort(byTotal)))
  }
  return plates.every((plate, at) => plate === before[at]) ? before : plates
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
