import { instant, type Instant } from '../quantity/units.ts'
import { LEAVE_PHASE, RETURN_PHASE, type Phase } from './powerState.ts'
import type { Segment, TimelineInputs } from './timeline.ts'

/**
 * The machine's phases over `within`, in order, without gap or overlap.
 *
 * A machine begins to come back when a window opens and begins to go off when it closes. It cannot come back before
 * it has finished going off: a window that opens in that time begins late, and one that also closes in it is missed.
 * It always finishes coming back before it goes off again.
 */
export function buildTimeline({ on, off, changes, within }: TimelineInputs): Segment[] {
  if (off === 'running') return [{ phase: 'running', from: within.from, to: within.to }]
  const segments: Segment[] = []
  let at: Instant = within.from
  const stay = (phase: Phase, to: number): void => {
    const end = Math.min(to, within.to)
    if (end <= at) return
    segments.push({ phase, from: at, to: instant(end) })
    at = instant(end)
  }
  for (const window of on) {
    if (window.to <= at) continue
    stay(off, window.from)
    const ready = at + changes.return
    stay(RETURN_PHASE[off], ready)
    stay('running', Math.max(window.to, ready))
    stay(LEAVE_PHASE[off], at + changes.leave)
  }
  stay(off, within.to)
  return segments
}
