import { applyChoice } from '../decisions/choice.ts'
import type { Decision } from '../machine/decision.ts'
import { isOpen, type Notch } from '../notches/plate.ts'
import type { Mend, WatchInputs } from './finding.ts'

/** The cheapest notch of a plate that can be taken by itself and will do; undefined where the plate is pinned. */
export function mendBy(
  { plates, resolved }: WatchInputs,
  decision: Decision,
  willDo: (notch: Notch) => boolean,
): Mend | undefined {
  const plate = plates.find((each) => each.decision === decision)
  if (!plate || plate.fold === 'pinned') return undefined
  const notch = plate.notches.find((each) => !each.isPresent && isOpen(each) && willDo(each))
  return (
    notch && {
      machine: applyChoice(resolved.machine, notch.choice),
      choice: notch.choice,
      difference: notch.difference,
    }
  )
}

export const saves = ({ difference }: Notch): boolean => difference !== undefined && difference.n < 0n
