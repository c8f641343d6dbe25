import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { DecisionRules } from './decisionRules.ts'
import { nearWeeks } from './nearWeeks.ts'

/** One of the plan's weeks, or a variant of the machine's that the plan does not hold yet. */
export const WEEK_DECISION: DecisionRules<{ readonly week: WeekPlan }> = {
  choices: ({ week: own }, _position, weeks) =>
    [...weeks, ...nearWeeks(own, weeks).map((near) => near.week)].map((week) => ({ week })),
  present: ({ week }) => ({ week }),
  apply: (machine, { week }) => ({ ...machine, week: week.id }),
  resolve: (_resolved, _machine, { week }) => ({ week }),
  key: ({ week }) => week.id,
  leavesWorkAlone: () => false,
}
