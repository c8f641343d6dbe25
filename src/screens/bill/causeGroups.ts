import { add, isZero, ZERO, type Exact } from '../../core/quantity/exact.ts'
import type { Cause, CauseCode } from '../../core/reconcile/cause.ts'

/** Causes that are one step from what was planned to what was billed. */
export interface CauseGroup {
  readonly id: GroupId
  readonly amount: Exact
}

const GROUPS = {
  hours: ['more-time', 'less-time'],
  prices: ['price', 'discount'],
  sizes: ['other-size', 'other-terms'],
  quantities: ['quantity', 'not-planned', 'not-billed'],
  left: ['left-over'],
  unplanned: ['unplanned-machine'],
  never: ['never-billed'],
  apart: ['tax', 'credit', 'purchase', 'adjustment', 'correction'],
  rounding: ['rounding'],
  unexplained: ['unexplained'],
} as const satisfies Record<string, readonly CauseCode[]>

export type GroupId = keyof typeof GROUPS

export const GROUP_NAMES = {
  hours: 'hours',
  prices: 'prices',
  sizes: 'sizes and terms',
  quantities: 'quantities',
  left: 'still there',
  unplanned: 'not in the plan',
  never: 'never ran',
  apart: 'tax, credits',
  rounding: 'rounding',
  unexplained: 'unexplained',
} as const satisfies Record<GroupId, string>

/** Each group that there is something in, in an order that stays the same from month to month. */
export function causeGroups(causes: readonly Cause[]): CauseGroup[] {
  return (Object.keys(GROUPS) as GroupId[]).flatMap((id) => {
    const codes: readonly CauseCode[] = GROUPS[id]
    const amount = causes
      .filter(({ code }) => codes.includes(code))
      .reduce((sum, cause) => add(sum, cause.amount), ZERO)
    return isZero(amount) ? [] : [{ id, amount }]
  })
}
