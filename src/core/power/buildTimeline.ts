import { instant, type Instant, type Span } from '../quantity/units.ts'
import { LEAVE_PHASE, RETURN_PHASE, type Phase } from '../off/powerState.ts'
import type { Segment, TimelineInputs, WaysOff, WayOff } from './timeline.ts'

/**
 * The machine's phases over `within`, in order, without gap or overlap.
 *
 * A machine begins to come back when a window opens and begins to go off when it closes, into the state that its gap
 * has by its planned length, or by the auto-shutdown that begins it. It cannot come back before it has finished going
 * off: a window that opens in that time begins late, and one that also closes in it is missed, so that it stays as it
 * was. It always finishes coming back before it goes off again, and does go off then, also where the next window has
 * opened meanwhile. What comes before the first window and after the last counts as a gap without end.
 */
export function buildTimeline({ on, ways, shutdown, within, before }: TimelineInputs): Segment[] {
  const segments: { -readonly [field in keyof Segment]: Segment[field] }[] = []
  let at: Instant = within.from
  const stay = (phase: Phase, to: number): void => {
    const end = Math.min(to, within.to)
    if (end <= at) return
    const last = segments[segments.length - 1]
    if (last?.phase === phase) last.to = instant(end)
    else segments.push({ phase, from: at, to: instant(end) })
    at = instant(end)
  }
  let way: Way = before ?? wayFor(ways, Infinity)
  for (const [i, window] of on.entries()) {
    if (window.to <= at) continue
    stay(way.off, window.from)
    if (way.off !== 'running') stay(RETURN_PHASE[way.off], at + way.changes.return)
    stay('running', Math.max(window.to, at))
    way = wayBetween(window, on[i + 1], { ways, shutdown })
    if (way.off !== 'running') stay(LEAVE_PHASE[way.off], at + way.changes.leave)
  }
  stay(way.off, within.to)
  return segments
}

type Way = Pick<WayOff, 'off' | 'changes'>

/** How the gap between two times to be on is spent. */
export function wayBetween(
  window: Span | undefined,
  next: Span | undefined,
  { ways, shutdown }: Pick<TimelineInputs, 'ways' | 'shutdown'>,
): Way {
  const way = wayFor(ways, window && next ? next.from - window.to : Infinity)
  // What is left on in such a gap is left on by an auto-shutdown too.
  return way.off !== 'running' && window && shutdown?.ends(window.to) ? shutdown : way
}

/** How a gap of so many seconds is spent. */
function wayFor(ways: WaysOff, gap: number): WayOff {
  let found: WayOff = ways[0]
  for (const way of ways) if (gap >= way.from) found = way
  return found
}
