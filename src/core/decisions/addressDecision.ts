import type { Machine } from '../machine/plan.ts'
import type { DecisionRules } from './decisionRules.ts'

export const ADDRESS_DECISION: DecisionRules<Pick<Machine, 'address'>> = {
  choices: () => (['none', 'changing', 'fixed'] as const).map((address) => ({ address })),
  present: ({ machine: { address } }) => ({ address }),
  apply: (machine, { address }) => ({ ...machine, address }),
  key: ({ address }) => address,
}
