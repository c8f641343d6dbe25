import type { OffPlan } from '../core/off/offPlan.ts'
import { OFF_MEANS, OFF_NAMES, STATE_NAMES } from './state'
import { formatDuration } from './time'

/** As a choice: `By length of the gap`, `Hibernated, deallocated from 38 h`. */
export function offPlanWords(plan: OffPlan): { readonly name: string; readonly about: string } {
  return plan.longGaps
    ? { name: 'By length of the gap', about: offPlanText(plan) }
    : { name: OFF_NAMES[plan.off], about: OFF_MEANS[plan.off] }
}

export const offPlanText = ({ off, longGaps }: OffPlan): string =>
  longGaps
    ? [
        STATE_NAMES[off],
        ...longGaps.map(
          (long) => `${STATE_NAMES[long.off].toLowerCase()} from ${formatDuration(long.fromMinutes * 60)}`,
        ),
      ].join(', ')
    : OFF_NAMES[off]
