import { keptFor } from '../keptFor.ts'
import { instant, type Instant, type Seconds } from '../quantity/units.ts'
import type { MonthTimeline } from './monthTimeline.ts'
import { LEAVE_PHASE, STATE_OF_PHASE, type Phase } from '../off/powerState.ts'
import type { Segment } from './timeline.ts'

/** From when to when there is a machine, and how long deleting it takes where it is on. */
export interface Lived {
  readonly from: Instant
  readonly to: Instant
  readonly leave: Seconds
}

/** So that what is metered by a timeline is metered once. */
const livesOf: (timeline: MonthTimeline) => Map<string, MonthTimeline> = keptFor(() => new Map())

/**
 * The timeline of a machine that is there for a part of the time: nothing before, and deleted after it. It has the
 * hours of its week that lie between.
 */
export function livedTimeline(timeline: MonthTimeline, lived: Lived): MonthTimeline {
  const { segments } = timeline
  if (lived.from <= segments[0]!.from && lived.to >= segments.at(-1)!.to) return timeline
  const known = livesOf(timeline)
  const key = `${lived.from} ${lived.to} ${lived.leave}`
  let cut = known.get(key)
  if (!cut) {
    const born = lived.from > segments[0]!.from ? { born: lived.from } : {}
    known.set(key, (cut = { ...timeline, ...born, segments: cutSegments(segments, lived) }))
  }
  return cut
}

const LEAVE_PHASES: readonly Phase[] = Object.values(LEAVE_PHASE)

/** What was not there before cannot be going off: it is off from the beginning. */
function bornOff(segments: readonly Segment[], born: Instant): readonly Segment[] {
  const at = segments.findIndex(({ from, to }) => from < born && born < to)
  const [going, next] = [segments[at], segments[at + 1]]
  if (!going || !next || !LEAVE_PHASES.includes(going.phase)) return segments
  return STATE_OF_PHASE[next.phase] === 'running'
    ? segments
    : [...segments.slice(0, at), { ...next, from: going.from }, ...segments.slice(at + 2)]
}

function cutSegments(whole: readonly Segment[], { from, to, leave }: Lived): Segment[] {
  const segments = bornOff(whole, from)
  const end = segments.at(-1)!.to
  const cut = segments.flatMap((segment): Segment[] => {
    const [begins, ends] = [Math.max(segment.from, from), Math.min(segment.to, to)]
    return ends > begins ? [{ phase: segment.phase, from: instant(begins), to: instant(ends) }] : []
  })
  if (to >= end) return cut
  // One that was there before all that is looked at is gone from the beginning.
  const begin = instant(Math.max(to, segments[0]!.from))
  const last = cut.at(-1)
  const isOn = last !== undefined && STATE_OF_PHASE[last.phase] === 'running'
  const gone = instant(Math.min(begin + (isOn ? leave : 0), end))
  if (gone > begin) cut.push({ phase: 'deleting', from: begin, to: gone })
  if (end > gone) cut.push({ phase: 'deleted', from: gone, to: end })
  return cut
}
