import type { FitReason } from '../fit/fitReason.ts'
import { needOf, type NeedId } from '../fit/needId.ts'
import { isClosed, type Notch, type Plate } from './plate.ts'

/** Choices that are closed for one reason. */
export interface ClosedGroup {
  readonly code: FitReason['code']
  /** The need behind it; undefined where the reason lies in what is sold. */
  readonly need: NeedId | undefined
  readonly count: number
}

/** By what a choice is said to be closed: the first of its reasons. */
export const closedBy = ({ reasons }: Notch): FitReason['code'] | undefined => reasons[0]?.code

/**
 * A plate's closed choices by their first reason, so that each is counted once; those of a need first, the most of them
 * first. O(notches).
 */
export function closedChoices({ notches }: Pick<Plate, 'notches'>): ClosedGroup[] {
  const groups = new Map<string, { code: FitReason['code']; need: NeedId | undefined; count: number }>()
  for (const { reasons } of notches.filter(isClosed)) {
    const first = reasons[0]!
    const known = groups.get(first.code)
    if (known) known.count += 1
    else groups.set(first.code, { code: first.code, need: needOf(first), count: 1 })
  }
  const rank = ({ need }: ClosedGroup): number => (need === undefined ? 1 : 0)
  return [...groups.values()].sort((a, b) => rank(a) - rank(b) || b.count - a.count)
}
