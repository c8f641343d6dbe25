import { endsAtShutdown } from '../core/calendar/autoShutdown.ts'
import { LONGEST_LOOK_BACK_DAYS, weekSpans } from '../core/calendar/weekSpans.ts'
import { shutdownState } from '../core/catalogue/statesSold.ts'
import { lifeOf } from '../core/machine/life.ts'
import type { ResolvedMachine } from '../core/machine/resolveMachine.ts'
import { isNeverOff, offIn, offStates } from '../core/off/offPlan.ts'
import type { PowerState } from '../core/off/powerState.ts'
import { instant, SECONDS_PER_DAY, seconds, type Instant, type Span } from '../core/quantity/units.ts'

/** Something that a plan does to a machine: `running` starts it, all else is how it goes off. */
export interface PlannedSwitch {
  readonly at: Instant
  readonly state: PowerState
  /** Not wanted by anyone: its hardware is taken away. */
  readonly isTaken?: true
}

/** What a scheduler that follows the plan does to one machine around a month. */
export interface PlannedSwitches {
  /** When the machine is first there, and in which state. */
  readonly from: Instant
  readonly state: PowerState
  /** It was there before. */
  readonly wasThere: boolean
  /** It has run before, so that there are snapshots that it can be made anew from. */
  readonly hasRun: boolean
  readonly switches: readonly PlannedSwitch[]
  /** When it is deleted, where that is near the month. */
  readonly deleted?: Instant
}

const MARGIN = 2 * SECONDS_PER_DAY
const A_WEEK = 7 * SECONDS_PER_DAY

/** How far back a run can reach that is charged by more than its seconds: through all states that are charged. */
function lookBack({ machine, week, index: { book }, terms }: ResolvedMachine): number {
  if (book.billing.incrementSeconds <= 1 && book.billing.minimumSeconds === 0) return A_WEEK
  const shut = shutdownState(week, book)
  const isCharged = (state: PowerState): boolean =>
    state === 'running' ||
    (terms.kind === 'flat' && state !== 'deleted') ||
    book.states[state]?.compute === true ||
    book.states[state]?.licence === true
  return [...offStates(machine), ...(shut ? [shut] : [])].some(isCharged)
    ? LONGEST_LOOK_BACK_DAYS * SECONDS_PER_DAY
    : A_WEEK
}

/** Starts and ends of the times to be on, each end with the state that its gap has. O(windows looked at). */
export function plannedSwitches(resolved: ResolvedMachine, month: Span): PlannedSwitches {
  const { machine, week, index } = resolved
  const longest = (machine.longGaps?.at(-1)?.fromMinutes ?? 0) * 60
  const life = lifeOf(machine, week)
  const near = month.from - MARGIN
  const ends = instant(month.to + MARGIN)
  const looked = { from: instant(near - lookBack(resolved) - longest), to: instant(ends + longest) }
  const on = isNeverOff(machine) ? [] : weekSpans(week, looked)
  const shut = shutdownState(week, index.book)
  const offAfter = (end: Instant, gap: number): PowerState => {
    const own = offIn(machine, seconds(gap))
    return own !== 'running' && shut && endsAtShutdown(week, end) ? shut : own
  }
  const all = on.flatMap(({ from, to }, i): PlannedSwitch[] => [
    { at: from, state: 'running' },
    { at: to, state: offAfter(to, (on[i + 1]?.from ?? Infinity) - to) },
  ])
  // What is never off has run since its first day.
  const seen = isNeverOff(machine) ? near - LONGEST_LOOK_BACK_DAYS * SECONDS_PER_DAY : (on[0]?.from ?? near)
  const from = instant(Math.max(life.from, Math.min(near, seen)))
  // A first day that begins as a window closes finds it off.
  const isBorn = from === life.from
  const before = all.findLast(({ at, state }) => at < from || (isBorn && at === from && state !== 'running'))
  return {
    from,
    state: before?.state ?? offIn(machine, seconds(Infinity)),
    wasThere: life.from < from,
    hasRun:
      life.from < from &&
      (life.from === -Infinity || weekSpans(week, { from: life.from, to: from }).length > 0),
    switches: all.filter(
      (each) => each.at >= from && each.at < Math.min(life.to, ends) && !(isBorn && each === before),
    ),
    ...(life.to < ends && { deleted: life.to }),
  }
}
