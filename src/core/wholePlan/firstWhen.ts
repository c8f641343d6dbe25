import { instant, type Instant, type Span } from '../quantity/units.ts'

/**
 * The first second of a span, its end among them, at which something holds that goes on to hold; undefined where it
 * does at none. O(log seconds).
 */
export function firstWhen({ from, to }: Span, holds: (at: Instant) => boolean): Instant | undefined {
  if (!holds(to)) return undefined
  let [low, high] = [from as number, to as number]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (holds(instant(middle))) high = middle
    else low = middle + 1
  }
  return instant(low)
}
