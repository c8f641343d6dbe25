import { leavesWorkAlone, resolveChoice, type Choice } from '../decisions/choice.ts'
import type { PlateId } from '../machine/decision.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { cheapestNotch, type Plate } from '../notches/plate.ts'
import type { Exact } from '../quantity/exact.ts'
import { losses, type Loss } from './losses.ts'

/** The best that one plate of a machine can save by itself. */
export interface BestNotch {
  readonly plate: PlateId
  readonly choice: Choice
  /** Below zero; in the currency of the machine's price book. */
  readonly difference: Exact
  readonly losses: readonly Loss[]
}

/** Undefined where nothing on the plate is cheaper, or it is pinned. */
export function bestNotch(plate: Plate, resolved: ResolvedMachine): BestNotch | undefined {
  if (plate.fold === 'pinned') return undefined
  const notches = plate.notches.filter(({ choice }) => leavesWorkAlone(choice, resolved.machine))
  const notch = cheapestNotch({ ...plate, notches })
  if (!notch?.difference) return undefined
  return {
    plate: plate.id,
    choice: notch.choice,
    difference: notch.difference,
    losses: losses(resolved, resolveChoice(resolved, notch.choice)),
  }
}
