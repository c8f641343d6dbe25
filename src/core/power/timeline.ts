import { seconds, type Instant, type Seconds, type Span } from '../quantity/units.ts'
import type { OffState, Phase } from './powerState.ts'

export interface Segment extends Span {
  readonly phase: Phase
}

/** How long a machine takes to go off and to come back; charged as running. */
export interface ChangeTimes {
  readonly leave: Seconds
  readonly return: Seconds
}

export interface TimelineInputs {
  /** The times to be on, in order and apart from each other. */
  readonly on: readonly Span[]
  readonly off: OffState
  readonly changes: ChangeTimes
  /** What the timeline covers, without gap or overlap. */
  readonly within: Span
}

/** The part of each segment that lies inside `span`; segments outside are left out. */
export function clipSegments(segments: readonly Segment[], span: Span): Segment[] {
  return segments.flatMap((segment) => {
    const from = Math.max(segment.from, span.from) as Instant
    const to = Math.min(segment.to, span.to) as Instant
    return from < to ? [{ phase: segment.phase, from, to }] : []
  })
}

/** Seconds spent in each phase inside `span`; they sum to its length. */
export function secondsByPhase(segments: readonly Segment[], span: Span): Map<Phase, Seconds> {
  const total = new Map<Phase, Seconds>()
  for (const { phase, from, to } of clipSegments(segments, span)) {
    total.set(phase, seconds((total.get(phase) ?? 0) + to - from))
  }
  return total
}
