import ICAL from 'ical.js'
import { dayNumber, dayOf, type DayNumber } from '../../core/calendar/civil.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { SECONDS_PER_DAY } from '../../core/quantity/units.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { calendarRoots } from './calendarRoots.ts'
import { EndlessRule, isOfRules, noSteps, occurrences } from './occurrences.ts'
import type { CalendarDates, CalendarEvent, DateRange } from './calendarDates.ts'
import { EventZones } from './eventZones.ts'

/** A public calendar of many years has a tenth of this. */
export const MOST_CALENDAR_BYTES = 8 * 1024 * 1024
const MOST_EVENTS = 5_000
/** A rule that repeats more often than this up to the last date is left out: it does not say holidays. */
const MOST_REPEATS = 5_000
/** All events together, so that a file cannot keep the reader busy without end. */
const MOST_REPEATS_IN_ALL = 200_000
const MOST_NOTES = 20

/**
 * The events of an iCalendar file (RFC 5545) as dates of `timeZone`, from one date to another: those of all-day events
 * as they are written, those that a timed event touches there. Events outside are left out, cancelled ones too.
 */
export function readCalendar(
  text: string,
  timeZone: string,
  within: DateRange,
): Outcome<CalendarDates, FileIssue> {
  if (text.length > MOST_CALENDAR_BYTES) return refuse(calendarTooLarge(text.length))
  let roots: readonly ICAL.Component[]
  let broken: readonly string[]
  try {
    const found = calendarRoots(text)
    roots = found.roots
    broken = found.notes
  } catch (error) {
    return refuse(notCalendar(error instanceof Error ? error.message : ''))
  }
  if (roots.some(({ name }) => name !== 'vcalendar'))
    return refuse(notCalendar('it begins with something else'))
  const components = roots.flatMap((root) => root.getAllSubcomponents('vevent'))
  if (components.length > MOST_EVENTS) return refuse(tooMany(components.length))
  const reader = new EventReader(new EventZones(roots, timeZone), within)
  for (const sentence of broken) reader.note(sentence)
  const events = components.flatMap((component) => reader.read(component) ?? [])
  return accept({
    events: events.sort((a, b) => a.dates[0]!.from - b.dates[0]!.from),
    covers: reader.covers,
    notes: reader.notes(),
  })
}

export const calendarTooLarge = (bytes: number): FileIssue => ({
  code: 'too-large',
  pointer: '',
  problem: `The calendar has ${Math.ceil(bytes / (1024 * 1024))} MiB.`,
  expected: `at most ${MOST_CALENDAR_BYTES / (1024 * 1024)} MiB. Export fewer years, or only the calendar of holidays.`,
})

const notCalendar = (why: string): FileIssue => ({
  code: 'other-kind',
  pointer: '',
  problem: `This is not an iCalendar file${why ? `: ${why.slice(0, 160)}` : ''}.`,
  expected:
    'a whole file that begins with BEGIN:VCALENDAR, usually with the ending .ics. Save or download it again.',
})

const tooMany = (count: number): FileIssue => ({
  code: 'too-large',
  pointer: '',
  problem: `The calendar has ${count} events.`,
  expected: `at most ${MOST_EVENTS}. Export fewer years, or only the calendar of holidays.`,
})

class EventReader {
  private readonly said: string[] = []
  private unsaid = 0
  private repeats = 0
  private readonly steps = noSteps()
  /** All dates that were met, those outside among them. */
  covers: DateRange | undefined

  constructor(
    private readonly zones: EventZones,
    private readonly within: DateRange,
  ) {}

  notes(): string[] {
    return this.unsaid > 0 ? [...this.said, `${this.unsaid} more notes like these.`] : this.said
  }

  read(component: ICAL.Component): CalendarEvent | undefined {
    const name = nameOf(component)
    try {
      if (String(component.getFirstPropertyValue('status')).toUpperCase() === 'CANCELLED') return undefined
      const event = new ICAL.Event(component)
      if (!event.startDate) return this.leaveOut(name, 'it has no start')
      if (!isWritten(component)) return this.leaveOut(name, 'its start is no date or time')
      const zone = zoneOf(component, 'dtstart')
      // The start is one of the dates; with dates alone (RDATE) the library leaves it out.
      const starts = component.hasProperty('rrule') ? [] : [this.single(event, component, zone)]
      const dates = [...starts, ...(event.isRecurring() ? this.repeated(event, name, zone) : [])]
      const inside = dates.filter(({ from, to }) => to >= this.within.from && from <= this.within.to)
      if (inside.length === 0) return undefined
      return { name, allDay: event.startDate.isDate, repeats: event.isRecurring(), dates: inside }
    } catch (error) {
      return this.leaveOut(name, error instanceof EndlessRule ? error.message : 'it cannot be read')
    }
  }

  private repeated(event: ICAL.Event, name: string, zone: string | undefined): DateRange[] {
    const dates: DateRange[] = []
    const length = event.duration.toSeconds()
    let count = 0
    for (const start of occurrences(event, this.steps)) {
      this.repeats += 1
      count += 1
      if (count >= MOST_REPEATS || this.repeats > MOST_REPEATS_IN_ALL) {
        this.leaveOut(name, 'it repeats too often to be a holiday')
        return []
      }
      const begins = this.localSeconds(start, zone)
      const range = dateRange(begins, begins + length)
      if (range.from > this.within.to) return dates
      if (!isOfRules(start, event.component)) continue
      this.met(range)
      if (range.to >= this.within.from) dates.push(range)
    }
    return dates
  }

  private single(event: ICAL.Event, component: ICAL.Component, zone: string | undefined): DateRange {
    const begins = this.localSeconds(event.startDate, zone)
    const end = component.getFirstPropertyValue('dtend')
    if (end instanceof ICAL.Time)
      return this.met(dateRange(begins, this.localSeconds(end, zoneOf(component, 'dtend'))))
    const usual = event.startDate.isDate ? SECONDS_PER_DAY : 0
    const length = component.hasProperty('duration') ? event.duration.toSeconds() : usual
    return this.met(dateRange(begins, begins + length))
  }

  private met(range: DateRange): DateRange {
    const { from, to } = this.covers ?? range
    this.covers = { from: earlier(from, range.from), to: later(to, range.to) }
    return range
  }

  private localSeconds(time: ICAL.Time, zone: string | undefined): number {
    if (time.isDate) return dayOf(time.year, time.month, time.day) * SECONDS_PER_DAY
    const { seconds, unknown } = this.zones.localSeconds(time, zone)
    if (unknown)
      this.note(`“${unknown}” is not a time zone that is known: its times are read on the week’s clock.`)
    return seconds
  }

  private leaveOut(name: string, why: string): undefined {
    this.note(`“${name}” is left out: ${why}.`)
  }

  note(sentence: string): void {
    if (this.said.includes(sentence)) return
    if (this.said.length < MOST_NOTES) this.said.push(sentence)
    else this.unsaid += 1
  }
}

const earlier = (a: DayNumber, b: DayNumber): DayNumber => (a < b ? a : b)
const later = (a: DayNumber, b: DayNumber): DayNumber => (a > b ? a : b)

/** The last moment of an event does not count (section 3.6.1). Both are seconds of one clock. */
function dateRange(begins: number, ends: number): DateRange {
  const day = (local: number): DayNumber => dayNumber(Math.floor(local / SECONDS_PER_DAY))
  return { from: day(begins), to: day(Math.max(begins, ends - 1)) }
}

/** The library carries a 13th month over into the next year. */
function isWritten(component: ICAL.Component): boolean {
  const written = String(component.getFirstProperty('dtstart')?.toJSON()[3])
  const match = /^(\d{4})-(\d\d)-(\d\d)(?:T(\d\d):(\d\d):(\d\d)Z?)?$/.exec(written)
  if (!match) return false
  const [year, month, day, hour = 0, minute = 0, second = 0] = match.slice(1).map((part) => Number(part ?? 0))
  const isDate = month! >= 1 && month! <= 12 && day! >= 1 && day! <= ICAL.Time.daysInMonth(month!, year!)
  return isDate && hour <= 24 && minute <= 59 && second <= 60
}

const zoneOf = (component: ICAL.Component, property: string): string | undefined => {
  const tzid: unknown = component.getFirstProperty(property)?.getParameter('tzid')
  return typeof tzid === 'string' ? tzid : undefined
}

/** One line of text, as a name in the plan has to be. */
function nameOf(component: ICAL.Component): string {
  const summary = String(component.getFirstPropertyValue('summary') ?? '')
  const line = summary.replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\s]+/gu, ' ').trim()
  return line.length > 80 ? `${line.slice(0, 79)}…` : line || 'Unnamed event'
}
