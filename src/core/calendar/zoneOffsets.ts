import { Temporal } from 'temporal-polyfill'
import { instant, SECONDS_PER_DAY, seconds, type Instant, type Seconds } from '../quantity/units.ts'
import { dayOf } from './civil.ts'

/**
 * A zone's offsets from UTC as a step function: `offsets[i]` holds from `starts[i]` until `starts[i + 1]`.
 * `starts[0]` is minus infinity; entries are in time order and neighbours differ.
 */
export interface ZoneOffsets {
  readonly zone: string
  readonly starts: readonly number[]
  readonly offsets: readonly Seconds[]
}

interface CachedZone {
  readonly firstYear: number
  readonly lastYear: number
  readonly offsets: ZoneOffsets
}

/** A pure memo: a zone's rules do not change while the program runs. Grows by at most one entry a zone. */
const cache = new Map<string, CachedZone>()

export function isTimeZone(zone: string): boolean {
  if (!/^[A-Za-z][A-Za-z0-9_+\-/]{0,63}$/.test(zone)) return false
  if (cache.has(zone)) return true
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

/** Offsets that hold at least from the start of `firstYear` to the end of `lastYear`, in any zone. Throws on an unknown zone. */
export function zoneOffsets(zone: string, firstYear: number, lastYear: number): ZoneOffsets {
  const cached = cache.get(zone)
  if (cached && cached.firstYear <= firstYear && cached.lastYear >= lastYear) return cached.offsets
  const first = Math.min(firstYear, cached?.firstYear ?? firstYear)
  const last = Math.max(lastYear, cached?.lastYear ?? lastYear)
  const offsets = readOffsets(zone, first, last)
  cache.set(zone, { firstYear: first, lastYear: last, offsets })
  return offsets
}

function readOffsets(zone: string, firstYear: number, lastYear: number): ZoneOffsets {
  const from = instant(dayOf(firstYear, 1, 1) * SECONDS_PER_DAY - 2 * SECONDS_PER_DAY)
  const to = instant(dayOf(lastYear + 1, 1, 1) * SECONDS_PER_DAY + 2 * SECONDS_PER_DAY)
  let at = Temporal.Instant.fromEpochMilliseconds(from * 1000).toZonedDateTimeISO(zone)
  const starts = [-Infinity]
  const offsets = [seconds(Math.round(at.offsetNanoseconds / 1e9))]
  for (;;) {
    const next = at.getTimeZoneTransition('next')
    if (!next || next.epochMilliseconds >= to * 1000) break
    const offset = seconds(Math.round(next.offsetNanoseconds / 1e9))
    if (offset !== offsets.at(-1)) {
      starts.push(next.epochMilliseconds / 1000)
      offsets.push(offset)
    }
    at = next
  }
  return { zone, starts, offsets }
}

/** Index of the step that holds at `at`. O(log changes). */
function stepAt(zone: ZoneOffsets, at: number): number {
  let low = 0
  let high = zone.starts.length - 1
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (zone.starts[middle]! <= at) low = middle
    else high = middle - 1
  }
  return low
}

export const offsetAt = (zone: ZoneOffsets, at: Instant): Seconds => zone.offsets[stepAt(zone, at)]!

/** A stretch of wall-clock time without a clock change near it. */
export interface SteadyStretch {
  /** The one offset that holds; undefined where clocks change about then, and each time has to be looked up. */
  readonly offset: Seconds | undefined
  /** Wall-clock seconds up to which this is so, for times at most two days further on. */
  readonly until: number
}

/** What holds from the wall-clock time `local` on: schedules then need one look-up for months instead of two a window. */
export function steadyStretch(zone: ZoneOffsets, local: number): SteadyStretch {
  const step = stepAt(zone, local - SECONDS_PER_DAY)
  const change = zone.starts[step + 1] ?? Infinity
  const until = change - 3 * SECONDS_PER_DAY
  if (local < until) return { offset: zone.offsets[step]!, until }
  return { offset: undefined, until: local + SECONDS_PER_DAY }
}

/** The clock changes inside a span: when, and the offsets before and after. */
export function clockChanges(zone: ZoneOffsets, from: Instant, to: Instant): ClockChange[] {
  return zone.starts.flatMap((start, index) =>
    index > 0 && start >= from && start < to
      ? [{ at: instant(start), before: zone.offsets[index - 1]!, after: zone.offsets[index]! }]
      : [],
  )
}

export interface ClockChange {
  readonly at: Instant
  readonly before: Seconds
  readonly after: Seconds
}

/**
 * The instant of a wall-clock time, `local` being its seconds since 1970-01-01T00:00 on that clock. By RFC 5545,
 * section 3.3.5: a time that happens twice means the first one; a time that never happens is read with the offset
 * before the gap.
 */
export function localToInstant(zone: ZoneOffsets, local: number): Instant {
  // No offset exceeds a day, so the first step that can hold this time is the one two days before it or later.
  let step = stepAt(zone, local - 2 * SECONDS_PER_DAY)
  for (;;) {
    const utc = local - zone.offsets[step]!
    const end = zone.starts[step + 1]
    if (end === undefined || utc < end) {
      const inGap = step > 0 && utc < zone.starts[step]!
      return instant(inGap ? local - zone.offsets[step - 1]! : utc)
    }
    step += 1
  }
}
