import type { WeekPlan } from '../calendar/weekPlan.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import type { Instant, Span } from '../quantity/units.ts'

/** When the machines of a week are switched. */
export interface Transition {
  readonly at: Instant
  readonly to: 'on' | 'off'
}

/** Every switch inside `within`, its first instant included and its last not, in time order. */
export function transitionsOf(week: WeekPlan, within: Span): Transition[] {
  const inside = ({ at }: Transition): boolean => at >= within.from && at < within.to
  return weekSpans(week, within)
    .flatMap(({ from, to }): Transition[] => [
      { at: from, to: 'on' },
      { at: to, to: 'off' },
    ])
    .filter(inside)
}
