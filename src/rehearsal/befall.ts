import { shutdownAfter } from '../core/calendar/autoShutdown.ts'
import { sizeRates } from '../core/catalogue/sizeRates.ts'
import { shutdownState } from '../core/catalogue/statesSold.ts'
import type { ResolvedMachine } from '../core/machine/resolveMachine.ts'
import { givesHardwareBack, type PowerState } from '../core/off/powerState.ts'
import { instant, type Instant, type Span } from '../core/quantity/units.ts'
import { chanceOf } from './chance.ts'
import type { Mishap, MishapKind, MishapRates } from './mishap.ts'
import type { PlannedSwitch, PlannedSwitches } from './plannedSwitches.ts'

/** What is done to a machine in the end. */
interface LivedSwitches {
  readonly switches: readonly PlannedSwitch[]
  readonly mishaps: readonly Mishap[]
}

/**
 * What befalls one machine’s switches in a month. Each kind draws its own numbers, so that a rehearsal with one kind less
 * has the same others. A machine that was forgotten is on until its next planned stop, or its week’s auto-shutdown.
 */
export function befall(
  resolved: ResolvedMachine,
  planned: PlannedSwitches,
  month: Span,
  rates: MishapRates,
  seed: number,
): LivedSwitches {
  const { machine, week, index } = resolved
  const { book } = index
  const mishaps: Mishap[] = []
  const draws = new Map<MishapKind, () => number>()
  const happens = (kind: MishapKind): boolean => draw(kind) < (rates[kind] ?? 0)
  const draw = (kind: MishapKind): number => {
    let next = draws.get(kind)
    if (!next) draws.set(kind, (next = chanceOf(seed, machine.name, kind)))
    return next()
  }
  const befalls = (kind: MishapKind, at: Instant, what?: string): void => {
    mishaps.push({ kind, machine: machine.name, at, ...(what !== undefined && { what }) })
  }
  const caught = (after: Instant, until: number, state: PowerState): PlannedSwitch[] => {
    const shut = shutdownAfter(week, after)
    return shut === undefined || shut >= until
      ? []
      : [{ at: shut, state: shutdownState(week, book) ?? state }]
  }
  const last = Math.min(month.to, planned.deleted ?? Infinity)
  const isIn = (at: number): boolean => at >= month.from && at < last
  const switches = planned.switches.flatMap((own, i, all): PlannedSwitch[] => {
    const { at, state } = own
    const next = all[i + 1]?.at ?? Infinity
    const ends = Math.min(next, last)
    if (!isIn(at)) return [own]
    if (state === 'running') {
      const before = all[i - 1]?.state ?? 'running'
      if (givesHardwareBack(before) && happens('no-hardware')) {
        befalls('no-hardware', at)
        return []
      }
      const taken = instant(Math.floor(at + draw('spot-taken') * (ends - at)))
      if (resolved.terms.kind === 'spot' && happens('spot-taken') && taken > at) {
        befalls('spot-taken', taken)
        const off = book.states.deallocated ? 'deallocated' : machine.off
        return [own, { at: taken, state: off, isTaken: true }]
      }
      return [own]
    }
    if (happens('stop-missed')) {
      befalls('stop-missed', at)
      return caught(at, next, state)
    }
    if (state !== 'stopped' && state !== 'deleted' && book.states.stopped && happens('stopped-only')) {
      befalls('stopped-only', at)
      return [{ at, state: 'stopped' }]
    }
    const started = instant(Math.floor(at + draw('left-on') * (ends - at)))
    // By whole minutes, as people do; what is about to start anyway nobody starts.
    const by = instant(started - (started % 60))
    if (happens('left-on') && by > at + 3_600 && by < ends - 3_600) {
      befalls('left-on', by)
      return [own, { at: by, state: 'running' }, ...caught(by, next, state)]
    }
    return [own]
  })
  return { switches, mishaps }
}

/** The next larger size of its family that is sold there on its terms. */
export function largerSize({ size, index, region, terms }: ResolvedMachine): string | undefined {
  if (size.choice) return undefined
  const others = index.book.sizes.filter(
    ({ id, family, vcpu }) =>
      family === size.family && vcpu > size.vcpu && sizeRates(region, id, terms) !== undefined,
  )
  return others.sort((a, b) => a.vcpu - b.vcpu || a.memoryGiB - b.memoryGiB)[0]?.id
}
