import ICAL from 'ical.js'
import { dayOf, type Weekday } from '../../core/calendar/civil.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import { isTimeZone, localToInstant, zoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { instant, SECONDS_PER_DAY, type Instant } from '../../core/quantity/units.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { dropEndlessZones, EndlessRule, noSteps, occurrences } from '../calendar/occurrences.ts'
import { icalUnescape } from './icalText.ts'
import type { SwitchFile, Switched } from './switchFile.ts'
import { WEEK_PROPERTY } from './scheduleCalendar.ts'
import { notSchedule, tooLong } from './scheduleIssue.ts'
import { weekParts } from './weekParts.ts'

const MOST_SWITCHES = 100_000
const MOST_YEARS = 6
const MINUTES_PER_WEEK = 7 * MINUTES_PER_DAY

/** The switches of a calendar that `scheduleCalendar` wrote: events of the categories ON and OFF. */
export function calendarSwitches(text: string): Outcome<SwitchFile, FileIssue> {
  try {
    return readSwitches(text)
  } catch {
    // The library reads a value when it is asked for, and throws then. A switch that is left out would be another schedule.
    return refuse(notSchedule())
  }
}

function readSwitches(text: string): Outcome<SwitchFile, FileIssue> {
  const root = calendarIn(text)
  if (!root) return refuse(notSchedule())
  const events = root.getAllSubcomponents('vevent').flatMap((event) => switchEvent(event) ?? [])
  if (events.length === 0) return refuse(notSchedule())
  const timeZone = String(
    root.getFirstSubcomponent('vtimezone')?.getFirstPropertyValue('tzid') ?? zoneOfStart(root) ?? '',
  )
  const switches = switchesOf(events, isTimeZone(timeZone) ? timeZone : 'Etc/UTC')
  const [first, ...rest] = switches ?? []
  if (!first) return refuse(tooLong())
  return accept({
    name: textOf(root, 'name') ?? '',
    timeZone,
    switches: [first, ...rest],
    windows: windowsOf(events),
    said: saidIn(textOf(root, WEEK_PROPERTY.toLowerCase())),
  })
}

/** As another program may have left it, which took the time zone’s description out: its name stands with the times. */
const zoneOfStart = (root: ICAL.Component): unknown =>
  root
    .getAllSubcomponents('vevent')
    .map((event): unknown => event.getFirstProperty('dtstart')?.getParameter('tzid'))
    .find((zone) => typeof zone === 'string')

/** The library knows neither NAME (RFC 7986) nor our own property, and so leaves their text as section 3.3.11 has it. */
function textOf(root: ICAL.Component, property: string): string | undefined {
  const value = root.getFirstPropertyValue(property)
  return typeof value === 'string' ? icalUnescape(value) : undefined
}

function saidIn(text: string | undefined): unknown {
  try {
    return text === undefined ? undefined : (JSON.parse(text) as unknown)
  } catch {
    return undefined
  }
}

function calendarIn(text: string): ICAL.Component | undefined {
  try {
    const parsed = ICAL.parse(text) as unknown[]
    return parsed[0] === 'vcalendar' ? dropEndlessZones(new ICAL.Component(parsed)) : undefined
  } catch {
    return undefined
  }
}

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

/** Every switch in time order; undefined where there are too many, or they go on for too long. */
function switchesOf(events: readonly SwitchEvent[], timeZone: string): Switched[] | undefined {
  try {
    return allSwitches(events, timeZone)
  } catch (error) {
    if (error instanceof EndlessRule) return undefined
    throw error
  }
}

function allSwitches(events: readonly SwitchEvent[], timeZone: string): Switched[] | undefined {
  const found: Switched[] = []
  const steps = noSteps()
  for (const { to, event } of events) {
    for (const next of occurrences(event, steps)) {
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
    return weekParts(start, stop)
  })
}
