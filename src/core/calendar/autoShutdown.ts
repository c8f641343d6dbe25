import type { TrueOffState } from '../off/powerState.ts'
import { instant, SECONDS_PER_DAY, type Instant } from '../quantity/units.ts'
import { dayNumber, weekdayOf, type Weekday } from './civil.ts'
import { localToInstant, offsetAt, zoneOffsets } from './zoneOffsets.ts'

/** What an auto-shutdown can do: it loses no disks. */
export const SHUTDOWN_STATES = [
  'stopped',
  'deallocated',
  'hibernated',
] as const satisfies readonly TrueOffState[]
export type ShutdownState = (typeof SHUTDOWN_STATES)[number]

/**
 * Switches off whatever is on at a time of day, planned or not, but for machines that are left on in such a gap. It
 * starts nothing: a machine stays off until its next window begins.
 */
export interface AutoShutdown {
  /** 0 to 1,439, after midnight. */
  readonly minute: number
  /** Of the zone in which it is read; at least one. */
  readonly days: readonly Weekday[]
  /** The week's where absent. */
  readonly timeZone?: string
  /** The state of a gap that it begins; each machine's own where absent, or where a provider does not have it. */
  readonly off?: ShutdownState
}

/** The first auto-shutdown after an instant; undefined where the week has none. O(1). */
export function shutdownAfter(
  { autoShutdown, timeZone }: { readonly autoShutdown?: AutoShutdown; readonly timeZone: string },
  at: Instant,
): Instant | undefined {
  if (!autoShutdown) return undefined
  const { minute, days, timeZone: own = timeZone } = autoShutdown
  const zone = zoneOffsets(own)
  // A day earlier, since a time that clocks skip can fall on the day after its own.
  const first = Math.floor((at + offsetAt(zone, at)) / SECONDS_PER_DAY) - 1
  let next: number = Infinity
  for (let day = first; day <= first + 9; day += 1) {
    if (!days.includes(weekdayOf(dayNumber(day)))) continue
    const off = localToInstant(zone, day * SECONDS_PER_DAY + minute * 60)
    if (off > at) next = Math.min(next, off)
  }
  return next === Infinity ? undefined : instant(next)
}

/** Whether a run that ends then is ended by the auto-shutdown, also where its window would have ended at the same time. */
export const endsAtShutdown = (week: Parameters<typeof shutdownAfter>[0], end: Instant): boolean =>
  shutdownAfter(week, instant(end - 1)) === end
