import { keptFor } from '../keptFor.ts'
import { instant, type Instant, type Seconds } from '../quantity/units.ts'
import { STATE_OF_PHASE } from '../off/powerState.ts'
import { buildTimeline, wayBetween } from './buildTimeline.ts'
import { earliestLooked, type MonthTimeline } from './monthTimeline.ts'
import type { Segment, TimelineInputs } from './timeline.ts'

/** From when to when there is a machine, and how long deleting it takes where it is on. */
export interface Lived {
  readonly from: Instant
  readonly to: Instant
  readonly leave: Seconds
  /** Whether it has been on at any time between its beginning and this. */
  readonly hasBeenOnBefore: (at: Instant) => boolean
}

type GapWays = Pick<TimelineInputs, 'ways' | 'shutdown'>

/** So that what is metered by a timeline is metered once. */
const livesOf: (timeline: MonthTimeline) => Map<string, MonthTimeline> = keptFor(() => new Map())

/**
 * The timeline of a machine that is there for a part of the time: nothing before, and deleted after it. It has the
 * hours of its week that lie between: its first day finds it on or off, with no change under way. `gap` is what the
 * timeline was made of.
 */
export function livedTimeline(timeline: MonthTimeline, lived: Lived, gap: GapWays): MonthTimeline {
  const known = livesOf(timeline)
  const key = `${lived.from} ${lived.to} ${lived.leave}`
  let cut = known.get(key)
  if (!cut) known.set(key, (cut = live(timeline, lived, gap)))
  return cut
}

function live(timeline: MonthTimeline, lived: Lived, gap: GapWays): MonthTimeline {
  const born = bornSegments(timeline, lived, gap)
  const last = born.at(-1)
  const segments = !last || lived.to >= last.to ? born : endedSegments(born, lived)
  const [first, next] = segments
  // What is made for the first time has not run before.
  const isFirst = first?.phase === 'deleted' && next !== undefined && lived.from <= first.from
  const isMadeFirst = isFirst && (lived.from === first.from || !lived.hasBeenOnBefore(next.from))
  if (segments === timeline.segments && !isMadeFirst) return timeline
  return { ...timeline, segments, ...(isMadeFirst && { firstStart: next.from }) }
}

function bornSegments(
  { segments, on, month }: MonthTimeline,
  { from: born }: Lived,
  gap: GapWays,
): readonly Segment[] {
  const [first] = segments
  const end = segments.at(-1)!.to
  if (born >= end) return []
  if (born > first!.from) return bornAmong(instant(born), { segments, on }, gap)
  // What begins with no time to be on has been so since its first day: never off, or off and perhaps charged. One that is
  // deleted then may have been on before, and is charged for no run.
  const isFromAWindow = on[0] !== undefined && on[0].from <= first!.from
  if (isFromAWindow || first!.phase === 'deleted') return segments
  const began = instant(Math.max(born, earliestLooked(month, gap.ways)))
  return began < first!.from ? [{ ...first!, from: began }, ...segments.slice(1)] : segments
}

function bornAmong(
  born: Instant,
  { segments, on }: Pick<MonthTimeline, 'segments' | 'on'>,
  gap: GapWays,
): readonly Segment[] {
  const at = on.findIndex(({ to }) => to > born)
  const window = at === -1 ? undefined : on[at]
  const before = wayBetween(at === -1 ? on.at(-1) : on[at - 1], window, gap)
  const isOn = window !== undefined && window.from < born
  return buildTimeline({
    ...gap,
    on: at === -1 ? [] : on.slice(at),
    within: { from: born, to: segments.at(-1)!.to },
    before: isOn ? { ...before, off: 'running' } : before,
  })
}

function endedSegments(segments: readonly Segment[], { to, leave }: Lived): Segment[] {
  const end = segments.at(-1)!.to
  const cut = segments.flatMap((segment): Segment[] =>
    segment.from >= to ? [] : [{ ...segment, to: instant(Math.min(segment.to, to)) }],
  )
  // One that was there before all that is looked at is gone from the beginning.
  const begin = instant(Math.max(to, segments[0]!.from))
  const last = cut.at(-1)
  const isOn = last !== undefined && STATE_OF_PHASE[last.phase] === 'running'
  const gone = instant(Math.min(begin + (isOn ? leave : 0), end))
  if (gone > begin) cut.push({ phase: 'deleting', from: begin, to: gone })
  if (end > gone) cut.push({ phase: 'deleted', from: gone, to: end })
  return cut
}
