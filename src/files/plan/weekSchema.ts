import Joi from 'joi'
import { SHUTDOWN_STATES } from '../../core/calendar/autoShutdown.ts'
import { parseDate } from '../../core/calendar/civil.ts'
import {
  MOST_IDLE_MINUTES,
  MOST_SPREAD_MINUTES,
  type Habits,
  type IdleRule,
} from '../../core/calendar/habits.ts'
import {
  isWeekException,
  LONGEST_EXCEPTION_DAYS,
  MOST_EXCEPTIONS,
} from '../../core/calendar/weekException.ts'
import { MINUTES_PER_DAY, MOST_START_EARLY_MINUTES } from '../../core/calendar/weekPlan.ts'
import { parseClockTime } from '../reading/clockTime.ts'
import { count, date, id, label, listOf, need, objectOf, textRule, timeZone } from '../reading/rules.ts'
import {
  DAY_KEYS,
  type AutoShutdownFile,
  type DayKey,
  type ExceptionFile,
  type WeekFile,
} from './weekFile.ts'

const byDay = <T>(rule: T): Readonly<Record<DayKey, T>> => ({
  mon: rule,
  tue: rule,
  wed: rule,
  thu: rule,
  fri: rule,
  sat: rule,
  sun: rule,
})

const exception = objectOf<ExceptionFile>({
  name: label(80),
  from: need(date),
  to: date.description('The last date, at most 366 dates in all; from where it is absent.'),
  does: need(Joi.valid('off', 'on')).description(
    'off: windows that start on these dates are left out. on: machines run through them, from midnight to midnight.',
  ),
})
  .custom((value: ExceptionFile, helpers) => {
    const [from, to] = [parseDate(value.from)!, parseDate(value.to ?? value.from)!]
    if (to < from) return helpers.error('exception.backwards')
    return isWeekException({ from, to, does: value.does }) ? value : helpers.error('exception.long')
  })
  .messages({
    'exception.backwards': 'a last date that is not before the first one',
    'exception.long': `at most ${LONGEST_EXCEPTION_DAYS} dates in one exception`,
  })

type WindowFile = NonNullable<WeekFile['windows']['mon']>[number]

const CLOCK = '([01]?[0-9]|2[0-3]):[0-5][0-9]'

export const window = objectOf<WindowFile>({
  from: need(Joi.string()).meta({ jsonSchema: { pattern: `^${CLOCK}$` } }),
  to: need(Joi.string())
    .meta({ jsonSchema: { pattern: `^(${CLOCK}(\\+1)?|24:00(\\+1)?)$` } })
    .description(
      'After from, at most 24 hours later. 24:00 is midnight at the end of the day; +1 marks times of the next day. Times follow RFC 5545 where clocks change.',
    ),
})
  .custom((value: { from: string; to: string }, helpers) => {
    const from = parseClockTime(value.from)
    const to = parseClockTime(value.to)
    if (from === undefined || to === undefined) return helpers.error('window.time')
    if (from >= MINUTES_PER_DAY) return helpers.error('window.start')
    if (to <= from) return helpers.error('window.backwards', { next: `${value.to}+1` })
    if (to - from > MINUTES_PER_DAY) return helpers.error('window.long')
    return value
  })
  .messages({
    'window.time': 'times such as "08:00", "24:00", or "06:00+1" for the next day',
    'window.start': 'a start on the day itself, before 24:00',
    'window.backwards': 'an end after its start; write "to": "{#next}" if it ends on the next day',
    'window.long': 'a window of at most 24 hours',
  })

export const windows = listOf(window, 48)

export const weekSchema = objectOf<WeekFile>({
  id: need(id),
  name: need(label(60)),
  timeZone: need(timeZone).description('A zone of the IANA list.'),
  autoShutdown: objectOf<AutoShutdownFile>({
    timeZone,
    off: Joi.valid(...SHUTDOWN_STATES),
    at: need(
      textRule(
        (text) => (parseClockTime(text) ?? MINUTES_PER_DAY) < MINUTES_PER_DAY,
        'a time such as "20:00"',
        { pattern: `^${CLOCK}$` },
      ),
    ),
    days: need(
      Joi.array()
        .items(Joi.valid(...DAY_KEYS))
        .min(1)
        .max(7)
        .unique(),
    ),
  }).description(
    'Switches off whatever is on; starts nothing. Days count on the clock of timeZone, the week’s where it is absent. off is the state of the gap that it begins, each machine’s own where it is absent or where a provider does not have it.',
  ),
  besideZone: timeZone.description('An IANA zone shown beside the week’s own.'),
  datesOff: Joi.array()
    .items(date)
    .max(2_000)
    .unique()
    .description(
      'Short for exceptions of one date each that are off and have no name. Written as exceptions.',
    ),
  exceptions: Joi.array().items(exception).max(MOST_EXCEPTIONS),
  habits: objectOf<Habits>({
    forgottenPercent: need(count(100)).description(
      'Of a hundred times that they should switch off, how often they forget.',
    ),
    idle: objectOf<IdleRule>({
      afterMinutes: need(count(MOST_IDLE_MINUTES).min(1)),
      unusedMinutes: need(count(MOST_IDLE_MINUTES)),
    }).description(
      'Something switches a machine off when it has not been used for afterMinutes; in each window it is unused for unusedMinutes in one stretch.',
    ),
    spreadMinutes: need(count(MOST_SPREAD_MINUTES)).description(
      'They start up to so many minutes before or after the times of the week.',
    ),
  }).description('How people handle machines that they switch by hand, as the user guesses it.'),
  startEarlyMinutes: count(MOST_START_EARLY_MINUTES)
    .min(1)
    .description(
      'Machines are started so long before each time to be on, so that they are ready when it begins.',
    ),
  windows: need(objectOf<WeekFile['windows']>(byDay(windows))),
})
