import { SECONDS_PER_DAY, seconds, instant, type Instant, type Seconds } from '../quantity/units.ts'
import { ZONE_DATA } from './zoneData.ts'

/**
 * A zone's offsets from UTC as a step function: `offsets[i]` holds from `starts[i]` until `starts[i + 1]`.
 * `starts[0]` is minus infinity; entries are in time order and neighbours differ. Known for the years of the shipped
 * zone data, 1990 to 2110; before and after them the nearest offset holds.
 */
export interface ZoneOffsets {
  readonly zone: string
  readonly starts: readonly number[]
  readonly offsets: readonly Seconds[]
}

/** Lines of the zone data by the names on them, in lower case. */
let lines: ReadonlyMap<string, { readonly name: string; readonly clock: string }> | undefined

function zoneLines(): NonNullable<typeof lines> {
  if (lines) return lines
  const found = new Map<string, { name: string; clock: string }>()
  for (const line of ZONE_DATA.split('\n')) {
    const [names = '', clock = ''] = line.split('|')
    for (const name of names.split(' ')) found.set(name.toLowerCase(), { name, clock })
  }
  return (lines = found)
}

/** Every name of the zone data, in order. */
export const timeZones = (): string[] => [...zoneLines().values()].map(({ name }) => name).sort()

/** Whether the zone data has it; names are read as the IANA list has them, in upper or lower case. */
export const isTimeZone = (zone: string): boolean => zoneLines().has(zone.toLowerCase())

/** Grows by at most one entry a zone. */
const read = new Map<string, ZoneOffsets>()

/** Throws on an unknown zone. O(changes) when first asked for. */
export function zoneOffsets(zone: string): ZoneOffsets {
  const known = read.get(zone)
  if (known) return known
  const line = zoneLines().get(zone.toLowerCase())
  if (!line) throw new RangeError(`not a time zone: ${zone}`)
  const offsets = { zone, ...unpack(line.clock) }
  read.set(zone, offsets)
  return offsets
}

/** How many changes before one a letter can mean; the script that writes the data counts the same. */
const MOST_RECENT = 16
const CODE_OF_A = 65

/**
 * The offset at first, then each change: minutes since the one before, and the minutes by which clocks go forward, or a
 * letter for one of the last 16 that were not the same.
 */
function unpack(clock: string): Pick<ZoneOffsets, 'starts' | 'offsets'> {
  const [first = '0', ...parts] = clock.match(/[A-P]|[^ A-P]+/g) ?? []
  let offset = minutes(first)
  let at = 0
  const starts = [-Infinity]
  const offsets = [seconds(offset)]
  const recent: string[] = []
  for (const part of parts) {
    const code = part.charCodeAt(0) - CODE_OF_A
    const isKnown = code >= 0 && code < MOST_RECENT
    const change = isKnown ? recent[code]! : part
    if (isKnown) recent.splice(code, 1)
    else if (recent.length === MOST_RECENT) recent.pop()
    recent.unshift(change)
    const [since = '', by = ''] = change.split(',')
    at += minutes(since)
    offset += minutes(by)
    starts.push(at)
    offsets.push(seconds(offset))
  }
  return { starts, offsets }
}

const minutes = (text: string): number => parseInt(text, 36) * 60

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

/** Whether a wall-clock time is shown exactly once: clocks neither skip it nor show it again. */
export function showsOnce(zone: ZoneOffsets, local: number): boolean {
  let shown = 0
  const last = stepAt(zone, local + 2 * SECONDS_PER_DAY)
  for (let step = stepAt(zone, local - 2 * SECONDS_PER_DAY); step <= last; step += 1) {
    const utc = local - zone.offsets[step]!
    if (utc >= zone.starts[step]! && utc < (zone.starts[step + 1] ?? Infinity)) shown += 1
  }
  return shown === 1
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
