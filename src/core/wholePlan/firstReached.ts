import { compare, type Exact } from '../quantity/exact.ts'
import { instant, type Instant, type Span } from '../quantity/units.ts'

/**
 * The first second of a span by which so much is spent; undefined where that is not in it. `spentUntil` never falls.
 * O(log seconds).
 */
export function firstReached(
  { from, to }: Span,
  amount: Exact,
  spentUntil: (at: Instant) => Exact,
): Instant | undefined {
  if (compare(spentUntil(to), amount) < 0) return undefined
  let [low, high] = [from as number, to as number]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (compare(spentUntil(instant(middle)), amount) >= 0) high = middle
    else low = middle + 1
  }
  return instant(low)
}
