import { dayNumber, formatDate, weekdayOf, type DayNumber } from '../../core/calendar/civil.ts'
import type { WeekException } from '../../core/calendar/weekException.ts'
import { MINUTES_PER_DAY, type WeekPlan, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import { weekSpans } from '../../core/calendar/weekSpans.ts'
import { localToInstant, offsetAt, zoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { instant, SECONDS_PER_DAY, type Instant, type Span } from '../../core/quantity/units.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { scheduleIssue } from './scheduleIssue.ts'
import { weekParts } from './weekParts.ts'

/** The date that the zone's clock shows then. */
export const localDay = (timeZone: string, at: number): DayNumber =>
  dayNumber(Math.floor((at + offsetAt(zoneOffsets(timeZone), instant(at))) / SECONDS_PER_DAY))

/** Whether a week has these spans, and no others, within a stretch of time. */
export const switchesLike = (week: WeekPlan, spans: readonly Span[], within: Span): boolean =>
  firstDifference(spansWithin(week, within), spans) === undefined

const spansWithin = (week: WeekPlan, within: Span): { from: number; to: number }[] =>
  weekSpans(week, within)
    .map(({ from, to }) => ({ from: Math.max(from, within.from), to: Math.min(to, within.to - 1) }))
    .filter(({ from, to }) => to > from)

/** More hidden windows than that are no week that a person wrote. */
const MOST_TRIES = 40

/**
 * Windows and exceptions that switch as a file does between its first and its last switch. Windows that overlap are one
 * in the file, and show by themselves only on dates on which the other one is dropped: such a one is added, or the
 * whole is cut where it ends, as long as that brings it further.
 */
export function fitWeek(
  windows: readonly WeekWindow[],
  timeZone: string,
  spans: readonly Span[],
  within: Span,
): Outcome<Pick<WeekPlan, 'windows' | 'exceptions'>, FileIssue> {
  let best = fitExceptions(windows, timeZone, spans, within)
  for (let tries = 0; best.wrong !== undefined && tries < MOST_TRIES; tries += 1) {
    const { wrong, windows: known } = best
    // A date that is dropped for one of its windows lacks earlier ones too: what shows is on that date, or after it.
    const further = spans
      .filter(({ from, to }) => from < wrong + SECONDS_PER_DAY && wrong <= to)
      .flatMap((span) => hiddenIn(known, timeZone, span))
      .map((each) => fitExceptions(each, timeZone, spans, within))
      .reduce((a, b) => ((b.wrong ?? Infinity) > (a.wrong ?? Infinity) ? b : a), best)
    if (further === best) break
    best = further
  }
  if (best.wrong === undefined) return accept({ windows: best.windows, exceptions: best.exceptions })
  return refuse(
    scheduleIssue(
      `On ${formatDate(localDay(timeZone, best.wrong))} the file switches as no window and no exception could.`,
      'a schedule as it was exported, with the week that it carries.',
    ),
  )
}

/**
 * The windows with one more that lies in one of them, or in several that meet, and cut at its ends; none where it would
 * change usual weeks.
 */
function hiddenIn(windows: readonly WeekWindow[], timeZone: string, { from, to }: Span): WeekWindow[][] {
  const zone = zoneOffsets(timeZone)
  const [begins, ends] = [from, to].map((at) => (at + offsetAt(zone, at)) / 60) as [number, number]
  const date = Math.floor(begins / MINUTES_PER_DAY)
  const start = weekdayOf(dayNumber(date)) * MINUTES_PER_DAY + (begins - date * MINUTES_PER_DAY)
  const stop = start + ends - begins
  if (!Number.isInteger(start) || !Number.isInteger(stop) || stop <= start) return []
  const found = [0, MINUTES_PER_WEEK].flatMap((later) => {
    const run = runAround(windows, start + later, stop + later)
    return run ? [{ ...run, later }] : []
  })[0]
  if (!found) return []
  const { around, opens, closes, later } = found
  const cuts = [opens, start + later, stop + later, closes]
  const pieces = cuts.slice(1).flatMap((end, i) => (end > cuts[i]! ? weekParts(cuts[i]!, end) : []))
  const others = windows.filter((window) => !around.includes(window))
  return [
    [...windows, ...weekParts(start, stop)],
    [...others, ...pieces],
  ]
}

interface Run {
  readonly around: readonly WeekWindow[]
  readonly opens: number
  readonly closes: number
}

/** The window, or the windows that meet, in which something lies; undefined where a gap is between. In minutes of the week. */
function runAround(windows: readonly WeekWindow[], start: number, stop: number): Run | undefined {
  const whole = windows.find((window) => boundsOf(window)[0] <= start && stop <= boundsOf(window)[1])
  const around = whole
    ? [whole]
    : windows.filter((window) => boundsOf(window)[0] < stop && boundsOf(window)[1] > start)
  const bounds = around.map(boundsOf).sort(([a], [b]) => a - b)
  if (bounds.length === 0) return undefined
  let closes = bounds[0]![0]
  for (const [opens, ends] of bounds) {
    if (opens > closes) return undefined
    closes = Math.max(closes, ends)
  }
  const [[opens]] = bounds as [[number, number]]
  return opens <= start && stop <= closes ? { around, opens, closes } : undefined
}

const MINUTES_PER_WEEK = 7 * MINUTES_PER_DAY

const boundsOf = ({ day, from, to }: WeekWindow): [number, number] => [
  day * MINUTES_PER_DAY + from,
  day * MINUTES_PER_DAY + to,
]

interface Fit extends Pick<WeekPlan, 'windows' | 'exceptions'> {
  /** The first instant at which it switches otherwise than the file. */
  readonly wrong: number | undefined
}

/** Dates off and dates on that fit windows to the spans of a file. */
function fitExceptions(
  windows: readonly WeekWindow[],
  timeZone: string,
  spans: readonly Span[],
  within: Span,
): Fit {
  const week: WeekPlan = { id: 'read', name: 'read', timeZone, windows, exceptions: [] }
  const zone = zoneOffsets(timeZone)
  const [first, last] = [localDay(timeZone, within.from), localDay(timeZone, within.to)]
  const exceptions: WeekException[] = []
  const midnight = (of: number): Instant => localToInstant(zone, of * SECONDS_PER_DAY)
  for (let day: number = first - 1; day <= last; day += 1) {
    const date = dayNumber(day)
    const whole = { from: midnight(day), to: midnight(day + 1) }
    const isThrough = covers(spans, whole.from, whole.to)
    const own = { ...week, windows: windows.filter((window) => window.day === weekdayOf(date)) }
    const starts = weekSpans(own, whole).filter(
      ({ from }) => localDay(timeZone, from) === day && from >= within.from && from < within.to,
    )
    const kept = starts.every(({ from, to }) =>
      spans.some((span) => span.from <= from && span.to >= Math.min(to, within.to - 1)),
    )
    if (starts.length > 0 && !kept) exceptions.push({ from: date, to: date, does: 'off' })
    if (isThrough && ((starts.length > 0 && !kept) || !covers(weekSpans(week, whole), whole.from, whole.to)))
      exceptions.push({ from: date, to: date, does: 'on' })
  }
  const kept = withoutOff(exceptions)
  return {
    windows,
    exceptions: kept,
    wrong: firstDifference(spansWithin({ ...week, exceptions: kept }, within), spans),
  }
}

/** A date that runs through needs not be off too: on wins wholly. */
const withoutOff = (exceptions: readonly WeekException[]): WeekException[] => {
  const on = new Set(exceptions.filter(({ does }) => does === 'on').map(({ from }) => from))
  return exceptions.filter(({ does, from }) => does === 'on' || !on.has(from))
}

const covers = (spans: readonly Span[], from: number, to: number): boolean =>
  spans.some((span) => span.from <= from && span.to >= to)

/** The earliest instant at which only one of two lists of spans changes. */
function firstDifference(
  a: readonly { from: number; to: number }[],
  b: readonly { from: number; to: number }[],
): number | undefined {
  for (let i = 0; i < Math.max(a.length, b.length); i += 1) {
    const [x, y] = [a[i], b[i]]
    if (x?.from !== y?.from) return Math.min(x?.from ?? Infinity, y?.from ?? Infinity)
    if (x!.to !== y!.to) return Math.min(x!.to, y!.to)
  }
  return undefined
}
