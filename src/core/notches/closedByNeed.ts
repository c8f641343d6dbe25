import { needOf, type NeedId } from '../fit/needId.ts'
import type { Plate } from './plate.ts'

/** How many choices on all plates each need closes; one that several needs close counts for each of them. */
export function closedByNeed(plates: readonly Plate[]): ReadonlyMap<NeedId, number> {
  const counts = new Map<NeedId, number>()
  for (const { notches } of plates) {
    for (const { reasons } of notches) {
      const needs = new Set(reasons.flatMap((reason) => needOf(reason) ?? []))
      for (const need of needs) counts.set(need, (counts.get(need) ?? 0) + 1)
    }
  }
  return counts
}
