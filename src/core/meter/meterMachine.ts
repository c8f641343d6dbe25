import { endsAtShutdown } from '../calendar/autoShutdown.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import { changeTimes } from '../catalogue/changeTimes.ts'
import { shutdownState } from '../catalogue/statesSold.ts'
import { keptFor } from '../keptFor.ts'
import { ALWAYS, lifeOf } from '../machine/life.ts'
import { restoredGiB } from '../machine/snapshots.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { OffState, PowerState } from '../off/powerState.ts'
import { livedTimeline, type Lived } from '../power/livedTimeline.ts'
import { monthTimeline, timelineOf } from '../power/monthTimeline.ts'
import { RUN_METERS, type RunMeter, type ShutdownOff, type WayOff, type WaysOff } from '../power/timeline.ts'
import { seconds, SECONDS_PER_DAY, type Span } from '../quantity/units.ts'
import { meteredMonth, type MeteredMonth } from './meteredMonth.ts'

/** When each meter of this machine runs in the month. The book must have the machine's states when off. */
export function meterMachine(resolved: ResolvedMachine, month: Span): MeteredMonth {
  const gap = waysOff(resolved)
  const { ways, shutdown, lived } = gap
  const timeline = monthTimeline(resolved.week, ways, month, shutdown, isEndedIn(resolved, lived, month))
  return meteredMonth(lived ? livedTimeline(timeline, lived, gap) : timeline, resolved.index.book)
}

/** The same, if the machine were on at other times than its week says. */
export function meterOn(resolved: ResolvedMachine, on: readonly Span[], month: Span): MeteredMonth {
  const gap = waysOff(resolved)
  const { ways, shutdown, lived } = gap
  const timeline = timelineOf(on, ways, month, shutdown)
  return meteredMonth(lived ? livedTimeline(timeline, lived, gap) : timeline, resolved.index.book)
}

/** How the machine is off in a gap: by its length, and by the auto-shutdown that begins it. */
interface GapWays {
  readonly ways: WaysOff
  readonly shutdown: ShutdownOff | undefined
  /** Where it has a first or a last day. */
  readonly lived: Lived | undefined
}

/** Every month asks. */
const waysOff = keptFor((resolved: ResolvedMachine): GapWays => {
  const { machine, index, size, week } = resolved
  const into = (off: OffState) => ({
    off,
    changes: changeTimes(index.book, off, size.memoryGiB, restoredGiB(resolved)),
    charged: RUN_METERS.filter((meter) => isRunCharged(meter, resolved, off)),
  })
  const way = (fromMinutes: number, off: OffState): WayOff => ({
    from: seconds(fromMinutes * 60),
    ...into(off),
  })
  const { off, longGaps = [] } = machine
  const shut = shutdownState(week, index.book)
  const life = lifeOf(machine, week)
  return {
    ways: [way(0, off), ...longGaps.map((long) => way(long.fromMinutes, long.off))],
    shutdown: shut && { ...into(shut), ends: (run) => endsAtShutdown(week, run) },
    lived:
      life === ALWAYS
        ? undefined
        : {
            ...life,
            leave: into('deleted').changes.leave,
            hasBeenOnBefore: (at) =>
              life.from === ALWAYS.from || weekSpans(week, { from: life.from, to: at }).length > 0,
          },
  }
})

/** Whether a run of a meter goes on through a state. A flat plan is charged while there is a machine. */
function isRunCharged(meter: RunMeter, { index, terms }: ResolvedMachine, state: PowerState): boolean {
  // What is not sold by a flat plan has no such run.
  if (meter === 'flat') return terms.kind === 'flat' && state !== 'deleted'
  return index.book.states[state]?.[meter] === true
}

/** Whether a machine is deleted about a month, where it matters how long a run was that ends then. */
function isEndedIn({ index }: ResolvedMachine, lived: Lived | undefined, { from, to }: Span): boolean {
  const { minimumSeconds, incrementSeconds } = index.book.billing
  if (!lived || (incrementSeconds <= 1 && minimumSeconds === 0)) return false
  return lived.to > from - SECONDS_PER_DAY && lived.to <= to
}
