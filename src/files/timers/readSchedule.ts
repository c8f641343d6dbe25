import type { DayNumber } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { isTimeZone } from '../../core/calendar/zoneOffsets.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { instant, SECONDS_PER_DAY, type Instant, type Span } from '../../core/quantity/units.ts'
import { LONGEST_TIMER_DAYS } from '../../core/timers/timerPlan.ts'
import { MOST_CALENDAR_BYTES } from '../calendar/readCalendar.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { parseWeek } from '../plan/planFile.ts'
import { fitWeek, localDay, switchesLike } from './fitWeek.ts'
import type { SwitchFile, Switched } from './switchFile.ts'
import { calendarSwitches } from './calendarSwitches.ts'
import { feedSwitches } from './feedSwitches.ts'
import { scheduleIssue, tooLong } from './scheduleIssue.ts'

/** What a week plan is made of, as a schedule file says it. */
export interface ScheduledWeek extends Omit<WeekPlan, 'id'> {
  /** Both dates count. */
  readonly from: DayNumber
  readonly to: DayNumber
}

const LONGEST = LONGEST_TIMER_DAYS * SECONDS_PER_DAY
/** The same as in a plan file. */
const MOST_WINDOWS_A_DAY = 48
const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6]

/**
 * Reads a calendar or a feed that was exported back into a week plan. The week that the file carries is taken where it
 * switches exactly as the file does: with its auto-shutdown, early starts and the names of its holidays. A file that
 * carries none, or was changed since, is read by its switches: windows from what repeats, exceptions from the dates on
 * which that does not apply. What comes out switches exactly as the file does, or it is refused with the first date on
 * which no window or exception could. Which state a gap has is not part of it.
 */
export function readSchedule(text: string): Outcome<ScheduledWeek, FileIssue> {
  if (text.length > MOST_CALENDAR_BYTES)
    return refuse(scheduleIssue('The file is too large.', 'a schedule of five years at most.'))
  const plain = text.replace(/^\uFEFF/, '')
  const file = plain.trimStart().startsWith('{') ? feedSwitches(plain) : calendarSwitches(plain)
  return file.ok ? weekOf(file.value) : file
}

function weekOf({ name, timeZone, switches, windows, said }: SwitchFile): Outcome<ScheduledWeek, FileIssue> {
  if (!isTimeZone(timeZone)) {
    return refuse(
      scheduleIssue(
        `The time zone “${timeZone.slice(0, 60)}” is not known.`,
        'an IANA time zone such as Europe/Lisbon.',
      ),
    )
  }
  const [first, last] = [switches[0].at, switches.at(-1)!.at]
  if (last - first > LONGEST) return refuse(tooLong())
  const spans = pair(switches)
  const within = { from: first, to: instant(last + 1) }
  const dates = { from: localDay(timeZone, first), to: localDay(timeZone, last) }
  const week = said === undefined ? undefined : parseWeek(said)
  if (week?.ok && week.value.timeZone === timeZone && switchesLike(week.value, spans, within)) {
    const { id: _, ...own } = week.value
    return accept({ ...own, ...dates })
  }
  if (EVERY_DAY.some((day) => windows.filter((window) => window.day === day).length > MOST_WINDOWS_A_DAY)) {
    return refuse(scheduleIssue('A day has too many windows.', `at most ${MOST_WINDOWS_A_DAY} starts a day.`))
  }
  const found = fitWeek(windows, timeZone, spans, within)
  return found.ok ? accept({ ...found.value, name: oneLine(name), timeZone, ...dates }) : found
}

/** One line of text, as a week's name has to be. */
const oneLine = (name: string): string =>
  name
    .replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\s]+/gu, ' ')
    .trim()
    .slice(0, 50)
    .trim() || 'Imported week'

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
