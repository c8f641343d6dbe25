import { chosenSize, proposedChoice } from '../machine/chosenSize.ts'
import type { ChosenSize } from '../machine/plan.ts'
import type { DecisionRules } from './decisionRules.ts'

interface SizeTaken {
  readonly size: string
  readonly chosen?: ChosenSize
}

export const SIZE_DECISION: DecisionRules<SizeTaken> = {
  // A size of free choice is offered with what is needed, unless the machine has chosen already.
  choices: ({ machine, size: present, index }) =>
    index.book.sizes.map((size) => {
      const chosen = size.choice && !machine.chosen && proposedChoice(size, machine.needs, present)
      return chosen ? { size: size.id, chosen } : { size: size.id }
    }),
  present: ({ machine }) => ({ size: machine.size }),
  apply: (machine, { size, chosen }) => ({ ...machine, size, ...(chosen && { chosen }) }),
  resolve: ({ index }, { size, chosen }) => ({ size: chosenSize(index.sizes.get(size)!, chosen) }),
  key: ({ size }) => size,
}
