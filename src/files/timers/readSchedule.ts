import ICAL from 'ical.js'
import {
  dayNumber,
  dayOf,
  formatDate,
  weekdayOf,
  type DayNumber,
  type Weekday,
} from '../../core/calendar/civil.ts'
import type { WeekException } from '../../core/calendar/weekException.ts'
import { MINUTES_PER_DAY, type WeekPlan, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import { weekSpans } from '../../core/calendar/weekSpans.ts'
import {
  isTimeZone,
  localToInstant,
  offsetAt,
  zoneOffsets,
  type ZoneOffsets,
} from '../../core/calendar/zoneOffsets.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { instant, SECONDS_PER_DAY, type Instant, type Span } from '../../core/quantity/units.ts'
import { LONGEST_TIMER_DAYS } from '../../core/timers/timerPlan.ts'
import { MOST_CALENDAR_BYTES } from '../calendar/readCalendar.ts'
import type { FileIssue } from '../fileIssue.ts'

/** What a week plan is made of, as a schedule file says it. */
export interface ScheduledWeek extends Pick<WeekPlan, 'timeZone' | 'windows' | 'exceptions'> {
  readonly name: string
  /** Both dates count. */
  readonly from: DayNumber
  readonly to: DayNumber
}

const MOST_SWITCHES = 100_000
const MOST_YEARS = 6
const LONGEST = LONGEST_TIMER_DAYS * SECONDS_PER_DAY
/** The same as in a plan file. */
const MOST_WINDOWS_A_DAY = 48
const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6]
const MINUTES_PER_WEEK = 7 * MINUTES_PER_DAY

/**
 * Reads a calendar that `scheduleCalendar` wrote back into a week plan: windows from its weekly events, exceptions from
 * the dates on which they do not apply. What comes out switches exactly as the file does, or it is refused with the
 * first date on which no window or exception could. Which state a gap has is not part of it.
 */
export function readSchedule(text: string): Outcome<ScheduledWeek, FileIssue> {
  if (text.length > MOST_CALENDAR_BYTES)
    return refuse(issue('The file is too large.', 'a schedule of five years at most.'))
  const root = calendarIn(text)
  if (!root) return refuse(notSchedule())
  const events = root.getAllSubcomponents('vevent').flatMap((event) => switchEvent(event) ?? [])
  const timeZone = String(root.getFirstSubcomponent('vtimezone')?.getFirstPropertyValue('tzid') ?? '')
  if (events.length === 0) return refuse(notSchedule())
  if (!isTimeZone(timeZone)) {
    return refuse(
      issue(
        `The time zone “${timeZone.slice(0, 60)}” is not known.`,
        'an IANA time zone such as Europe/Lisbon.',
      ),
    )
  }
  const switches = switchesOf(events, timeZone)
  const [first, last] = [switches?.[0]?.at, switches?.at(-1)?.at]
  if (!switches || first === undefined || last === undefined || last - first > LONGEST) {
    return refuse(issue('The file goes on for too long.', 'a schedule of five years at most.'))
  }
  const zone = zoneOffsets(timeZone)
  const spans = pair(switches)
  const within = { from: first, to: instant(last + 1) }
  const name = nameOf(root)
  const windows = windowsOf(events)
  if (EVERY_DAY.some((day) => windows.filter((window) => window.day === day).length > MOST_WINDOWS_A_DAY)) {
    return refuse(issue('A day has too many windows.', `at most ${MOST_WINDOWS_A_DAY} starts a day.`))
  }
  const found = fitWeek(windows, timeZone, spans, within, zone)
  return found.ok
    ? accept({ ...found.value, name, timeZone, from: localDay(zone, first), to: localDay(zone, last) })
    : found
}

/** One line of text, as a week's name has to be. */
function nameOf(root: ICAL.Component): string {
  // The library knows no NAME (RFC 7986), and so leaves its text escaped as section 3.3.11 of RFC 5545 has it.
  const text = String(root.getFirstPropertyValue('name') ?? '').replace(/\\([nN;,\\])/g, (_, char: string) =>
    char === 'n' || char === 'N' ? ' ' : char,
  )
  return (
    text
      .replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\s]+/gu, ' ')
      .trim()
      .slice(0, 50)
      .trim() || 'Imported week'
  )
}

function calendarIn(text: string): ICAL.Component | undefined {
  try {
    const parsed = ICAL.parse(text.replace(/^\uFEFF/, '')) as unknown[]
    return parsed[0] === 'vcalendar' ? new ICAL.Component(parsed) : undefined
  } catch {
    return undefined
  }
}

const issue = (problem: string, expected: string): FileIssue => ({
  code: 'other-kind',
  pointer: '',
  problem,
  expected,
})

const notSchedule = (): FileIssue =>
  issue(
    'This is not a schedule.',
    'an iCalendar file that was exported from a week, with starts (category ON) and stops (category OFF).',
  )

interface SwitchEvent {
  readonly to: 'on' | 'off'
  readonly event: ICAL.Event
  /** Of one that repeats weekly: its days, and minutes after midnight. */
  readonly weekly: { readonly days: readonly Weekday[]; readonly minute: number } | undefined
}

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']

function switchEvent(component: ICAL.Component): SwitchEvent | undefined {
  const category = String(component.getFirstPropertyValue('categories')).toUpperCase()
  const start = component.getFirstPropertyValue('dtstart')
  if ((category !== 'ON' && category !== 'OFF') || !(start instanceof ICAL.Time) || start.isDate)
    return undefined
  const rule = component.getFirstPropertyValue('rrule')
  const byDay =
    rule instanceof ICAL.Recur && rule.freq === 'WEEKLY' ? (rule.getComponent('BYDAY') as string[]) : []
  return {
    to: category === 'ON' ? 'on' : 'off',
    event: new ICAL.Event(component),
    weekly:
      byDay.length > 0
        ? {
            days: byDay.map((day) => DAYS.indexOf(day) as Weekday).filter((day) => day >= 0),
            minute: start.hour * 60 + start.minute,
          }
        : undefined,
  }
}

interface Switched {
  readonly at: Instant
  readonly to: 'on' | 'off'
}

/** Every switch in time order; undefined where there are too many, or they go on for too long. */
function switchesOf(events: readonly SwitchEvent[], timeZone: string): Switched[] | undefined {
  const found: Switched[] = []
  for (const { to, event } of events) {
    const occurrences = event.iterator()
    for (
      let next = occurrences.next() as ICAL.Time | null;
      next;
      next = occurrences.next() as ICAL.Time | null
    ) {
      // A rule without an end would go on for ever.
      if (found.length >= MOST_SWITCHES || next.year > event.startDate.year + MOST_YEARS) return undefined
      found.push({ at: instantOf(next, timeZone), to })
    }
  }
  return found.sort((a, b) => a.at - b.at || (a.to < b.to ? -1 : 1))
}

/** By RFC 5545, section 3.3.5, on the clock of the week's zone, or in UTC. */
function instantOf(time: ICAL.Time, timeZone: string): Instant {
  const { year, month, day, hour, minute, second } = time
  const written = dayOf(year, month, day) * SECONDS_PER_DAY + hour * 3_600 + minute * 60 + second
  if (time.zone === ICAL.Timezone.utcTimezone) return instant(written)
  return localToInstant(zoneOffsets(timeZone), written)
}

/** Spans between the first switch and the last; a stop of what is off already is a safety net and says nothing. */
function pair(switches: readonly Switched[]): Span[] {
  const spans: Span[] = []
  let from: Instant | undefined = switches[0]!.to === 'off' ? switches[0]!.at : undefined
  for (const { at, to } of switches) {
    if (to === 'on') from ??= at
    else if (from !== undefined) {
      if (at > from) spans.push({ from, to: at })
      from = undefined
    }
  }
  return spans
}

/** Each weekly start up to the next weekly stop, in parts of a day at most. */
function windowsOf(events: readonly SwitchEvent[]): WeekWindow[] {
  const times = (to: 'on' | 'off'): number[] =>
    events
      .filter((event) => event.to === to)
      .flatMap(({ weekly }) => weekly?.days.map((day) => day * MINUTES_PER_DAY + weekly.minute) ?? [])
      .sort((a, b) => a - b)
  const stops = times('off')
  return times('on').flatMap((start) => {
    const stop = stops.find((each) => each > start) ?? (stops[0] ?? start) + MINUTES_PER_WEEK
    return parts(start, stop)
  })
}

function parts(start: number, stop: number): WeekWindow[] {
  const windows: WeekWindow[] = []
  for (let at = start; at < stop; at += MINUTES_PER_DAY) {
    const day = (Math.floor(at / MINUTES_PER_DAY) % 7) as Weekday
    const from = at % MINUTES_PER_DAY
    windows.push({ day, from, to: from + Math.min(MINUTES_PER_DAY, stop - at) })
  }
  return windows
}

const localDay = (zone: ZoneOffsets, at: number): DayNumber =>
  dayNumber(Math.floor((at + offsetAt(zone, instant(at))) / SECONDS_PER_DAY))

/** Exceptions that make the windows switch as the file does between its first and its last switch. */
function fitWeek(
  windows: readonly WeekWindow[],
  timeZone: string,
  spans: readonly Span[],
  within: Span,
  zone: ZoneOffsets,
): Outcome<Pick<WeekPlan, 'windows' | 'exceptions'>, FileIssue> {
  const week: WeekPlan = { id: 'read', name: 'read', timeZone, windows, exceptions: [] }
  const [first, last] = [localDay(zone, within.from), localDay(zone, within.to)]
  const exceptions: WeekException[] = []
  for (let day: number = first - 1; day <= last; day += 1) {
    const date = dayNumber(day)
    const midnight = (of: number): Instant => localToInstant(zone, of * SECONDS_PER_DAY)
    const whole = spans.some(({ from, to }) => from <= midnight(day) && to >= midnight(day + 1))
    const own = { ...week, windows: windows.filter((window) => window.day === weekdayOf(date)) }
    const planned = weekSpans({ ...own, exceptions: [] }, { from: midnight(day), to: midnight(day + 1) })
    const starts = planned.filter(
      ({ from }) => localDay(zone, from) === day && from >= within.from && from < within.to,
    )
    const kept = starts.every(({ from, to }) =>
      spans.some((span) => span.from <= from && span.to >= Math.min(to, within.to - 1)),
    )
    if (starts.length > 0 && !kept) exceptions.push({ from: date, to: date, does: 'off' })
    else if (
      whole &&
      !covers(
        weekSpans(week, { from: midnight(day), to: midnight(day + 1) }),
        midnight(day),
        midnight(day + 1),
      )
    )
      exceptions.push({ from: date, to: date, does: 'on' })
  }
  const fitted = weekSpans({ ...week, exceptions }, within).map(({ from, to }) => ({
    from: Math.max(from, within.from),
    to: Math.min(to, within.to - 1),
  }))
  const wrong = firstDifference(
    fitted.filter(({ from, to }) => to > from),
    spans,
  )
  if (wrong === undefined) return accept({ windows, exceptions })
  return refuse(
    issue(
      `On ${formatDate(localDay(zone, wrong))} the file switches as no window and no exception could.`,
      'a schedule as it was exported. Two windows that overlap over midnight cannot be told apart on a date off.',
    ),
  )
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
