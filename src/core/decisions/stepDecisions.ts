import type { SizeChoice } from '../catalogue/priceBook.ts'
import { chosenSize } from '../machine/chosenSize.ts'
import type { ChosenSize } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { gib } from '../quantity/units.ts'
import type { DecisionRules } from './decisionRules.ts'

/** Steps of a size that leaves vCPU and memory to choose. */
interface StepTaken {
  readonly chosen: ChosenSize
}

const COMMON = {
  count: ({ size }: ResolvedMachine) => (size.choice ? 1 : 0),
  present: ({ size: { vcpu, memoryGiB } }: ResolvedMachine) => ({ chosen: { vcpu, memoryGiB } }),
  apply: (machine, { chosen }) => ({ ...machine, chosen }),
  resolve: ({ index }, { size, chosen }) => ({ size: chosenSize(index.sizes.get(size)!, chosen) }),
} as const satisfies Partial<DecisionRules<StepTaken>>

export const VCPU_DECISION: DecisionRules<StepTaken> = {
  ...COMMON,
  choices: ({ size: { choice, vcpu: present, memoryGiB } }) =>
    stepsNear(choice?.vcpu, present).map((vcpu) => ({ chosen: { vcpu, memoryGiB } })),
  key: ({ chosen }) => String(chosen.vcpu),
}

export const MEMORY_DECISION: DecisionRules<StepTaken> = {
  ...COMMON,
  choices: ({ size: { choice, vcpu, memoryGiB: present } }) =>
    stepsNear(choice?.memoryGiB, present).map((memory) => ({ chosen: { vcpu, memoryGiB: gib(memory) } })),
  key: ({ chosen }) => String(chosen.memoryGiB),
}

/** More steps than these are thinned out away from the present one: nobody can tell them apart on a plate. */
const MOST_STEPS = 96
const STEPS_AT_HAND = 6

function stepsNear(steps: SizeChoice['vcpu'] | undefined, present: number): number[] {
  if (!steps) return [present]
  const { least, most, step } = steps
  const count = Math.floor((most - least) / step) + 1
  const every = Math.ceil(count / MOST_STEPS)
  const at = (present - least) / step
  const values = new Set([present])
  const add = (i: number): unknown => i >= 0 && i < count && values.add(least + i * step)
  for (let i = 0; i < count; i += every) add(i)
  for (let i = Math.ceil(at - STEPS_AT_HAND); i <= at + STEPS_AT_HAND; i += 1) add(i)
  return [...values]
}
