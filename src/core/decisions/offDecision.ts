import { offPlanKey, offPlanOf, withOffPlan, type OffPlan } from '../off/offPlan.ts'
import { POWER_STATES } from '../off/powerState.ts'
import type { DecisionRules } from './decisionRules.ts'

/** One state for every gap, or the machine's own mix of them. */
export const OFF_DECISION: DecisionRules<OffPlan> = {
  choices: ({ machine, index: { book } }) => {
    const plain = POWER_STATES.filter((off) => book.states[off]).map((off): OffPlan => ({ off }))
    return machine.longGaps ? [...plain, offPlanOf(machine)] : plain
  },
  present: ({ machine }) => offPlanOf(machine),
  apply: withOffPlan,
  key: offPlanKey,
}
