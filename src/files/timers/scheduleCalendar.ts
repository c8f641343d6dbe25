import { dayNumber, weekdayOf } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { ZONE_RELEASE } from '../../core/calendar/zoneData.ts'
import { clockChanges, offsetAt, zoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { instant, SECONDS_PER_DAY, type Instant } from '../../core/quantity/units.ts'
import type { TimerPlan, TimerRule } from '../../core/timers/timerPlan.ts'
import type { Switch } from '../../core/timers/transitions.ts'
import { carriedWeek } from './carriedWeek.ts'
import { icalEscape, icalLines } from './icalText.ts'
import { ruleId } from './ruleId.ts'
import { basicTime } from './utcText.ts'

/** The week as a plan file has it, in JSON (RFC 5545, section 3.8.8.2: readers pass over what they do not know). */
export const WEEK_PROPERTY = 'X-NOTCHGAUGE-WEEK'

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']
const YEAR = 366 * SECONDS_PER_DAY

/** What is switched, as a calendar names it. */
export interface CalendarTitle {
  /** Carried along, so that the calendar can become the week again. */
  readonly week: WeekPlan
  /** Unlike that of any other calendar of the plan. */
  readonly id: string
  readonly title: string
  /** What an event of each sort is called: `Start signal-replay`. */
  readonly says: (does: Switch) => string
}

/**
 * An iCalendar (RFC 5545) of the switches: events without length, repeated weekly on the wall clock of the week's zone,
 * with the dates left out on which a rule does not apply. Starts have the category ON, the others OFF. An event with a
 * length would not do: by section 3.8.5.3 its true length stays, so that a night would not end at its hour when clocks
 * change. `made` is when the calendar is written. The plan must be one for `times`.
 */
export function scheduleCalendar(plan: TimerPlan, title: CalendarTitle, made: Instant): string {
  const stamp = `DTSTAMP:${basicTime(made)}Z`
  const event = (uid: string, does: Switch, when: readonly string[]): string[] => [
    'BEGIN:VEVENT',
    `UID:${icalEscape(`${title.id}-${uid}@notchgauge.invalid`)}`,
    stamp,
    ...when,
    `SUMMARY:${icalEscape(title.says(does))}`,
    `CATEGORIES:${does.to.toUpperCase()}`,
    'TRANSP:TRANSPARENT',
    'END:VEVENT',
  ]
  return icalLines([
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Notchgauge//Schedule//EN',
    'CALSCALE:GREGORIAN',
    `NAME:${icalEscape(title.title)}`,
    `${WEEK_PROPERTY}:${icalEscape(JSON.stringify(carriedWeek(title.week)))}`,
    `X-NOTCHGAUGE-TIME-ZONE-DATA:${ZONE_RELEASE}`,
    ...timeZoneLines(plan),
    ...plan.rules.flatMap((rule) => {
      const when = ruleLines(plan, rule)
      return when ? event(ruleId(rule), rule, when) : []
    }),
    ...plan.once.flatMap(({ at, ...does }) =>
      event(`${does.to}-${basicTime(at)}Z`, does, [`DTSTART:${basicTime(at)}Z`]),
    ),
    'END:VCALENDAR',
  ])
}

/** Undefined where the rule never applies. */
function ruleLines(plan: TimerPlan, { minute, days, skips }: TimerRule): string[] | undefined {
  const dates: number[] = []
  for (let day: number = plan.from; day <= plan.to; day += 1) {
    if (days.includes(weekdayOf(dayNumber(day)))) dates.push(day)
  }
  const [first] = dates
  if (first === undefined || skips.length === dates.length) return undefined
  const local = (day: number): string => basicTime(day * SECONDS_PER_DAY + minute * 60)
  return [
    `DTSTART;TZID=${plan.timeZone}:${local(first)}`,
    `RRULE:FREQ=WEEKLY;UNTIL=${basicTime(plan.within.to - 1)}Z;BYDAY=${days.map((day) => DAYS[day]).join(',')}`,
    ...skips.map((day) => `EXDATE;TZID=${plan.timeZone}:${local(day)}`),
  ]
}

/** The zone as it is about these dates: each clock change by itself, since their rules are not always the same. */
function timeZoneLines({ timeZone, within }: TimerPlan): string[] {
  const from = instant(within.from - YEAR)
  const to = instant(within.to + YEAR)
  const zone = zoneOffsets(timeZone)
  const observance = (kind: string, starts: string, before: number, after: number): string[] => [
    `BEGIN:${kind}`,
    `DTSTART:${starts}`,
    `TZOFFSETFROM:${offsetText(before)}`,
    `TZOFFSETTO:${offsetText(after)}`,
    `END:${kind}`,
  ]
  const first = offsetAt(zone, from)
  return [
    'BEGIN:VTIMEZONE',
    `TZID:${timeZone}`,
    ...observance('STANDARD', '19700101T000000', first, first),
    ...clockChanges(zone, from, to).flatMap(({ at, before, after }) =>
      observance(after > before ? 'DAYLIGHT' : 'STANDARD', basicTime(at + before), before, after),
    ),
    'END:VTIMEZONE',
  ]
}

/** `+0100`, with seconds where there are any. */
function offsetText(offset: number): string {
  const text = basicTime(Math.abs(offset)).slice(9)
  return `${offset < 0 ? '-' : '+'}${text.endsWith('00') ? text.slice(0, 4) : text}`
}
