import { instant, seconds, type Instant, type Seconds, type Span } from '../quantity/units.ts'
import type { OffState, Phase } from '../off/powerState.ts'

export interface Segment extends Span {
  readonly phase: Phase
}

/** How long a machine takes to go off and to come back; charged as running. */
export interface ChangeTimes {
  readonly leave: Seconds
  readonly return: Seconds
}

export const RUN_METERS = ['compute', 'licence', 'flat'] as const
/** What is charged by unbroken runs: machine time, licences, and machine time of a flat plan. */
export type RunMeter = (typeof RUN_METERS)[number]

/** A state for gaps that last at least `from`, and how long it takes to go into it and come back. */
export interface WayOff {
  readonly from: Seconds
  readonly off: OffState
  readonly changes: ChangeTimes
  /** What is charged in it, so that a run goes on through it. */
  readonly charged: readonly RunMeter[]
}

/** Shortest gaps first, from 0 on. */
export type WaysOff = readonly [WayOff, ...WayOff[]]

/** How an auto-shutdown switches off, where it has a way of its own. */
export interface ShutdownOff extends Pick<WayOff, 'off' | 'changes' | 'charged'> {
  /** Whether it ends a run at this time. */
  readonly ends: (run: Instant) => boolean
}

export interface TimelineInputs {
  /** The times to be on, in order and apart from each other. */
  readonly on: readonly Span[]
  readonly ways: WaysOff
  readonly shutdown?: ShutdownOff | undefined
  /** What the timeline covers, without gap or overlap. */
  readonly within: Span
  /** How it is before the first time to be on; as in a gap without end when absent. */
  readonly before?: Pick<WayOff, 'off' | 'changes'>
}

/** The part of each segment that lies inside `span`; segments outside are left out. */
export function clipSegments(segments: readonly Segment[], span: Span): Segment[] {
  const clipped: Segment[] = []
  for (const segment of segments) {
    if (segment.to <= span.from || segment.from >= span.to) continue
    const whole = segment.from >= span.from && segment.to <= span.to
    clipped.push(whole ? segment : { phase: segment.phase, ...overlap(segment, span) })
  }
  return clipped
}

const overlap = (a: Span, b: Span): Span => ({
  from: instant(Math.max(a.from, b.from)),
  to: instant(Math.min(a.to, b.to)),
})

/** Seconds spent in each phase inside `span`; they sum to as much of it as there are segments. */
export function secondsByPhase(segments: readonly Segment[], span: Span): Map<Phase, Seconds> {
  const total = new Map<Phase, Seconds>()
  for (const { phase, from, to } of segments) {
    const inside = Math.min(to, span.to) - Math.max(from, span.from)
    if (inside > 0) total.set(phase, seconds((total.get(phase) ?? 0) + inside))
  }
  return total
}
