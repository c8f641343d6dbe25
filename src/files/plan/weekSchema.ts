import Joi from 'joi'
import { SHUTDOWN_STATES, type ShutdownState } from '../../core/calendar/autoShutdown.ts'
import { parseDate } from '../../core/calendar/civil.ts'
import { MOST_IDLE_MINUTES, MOST_SPREAD_MINUTES, type Habits } from '../../core/calendar/habits.ts'
import {
  isWeekException,
  LONGEST_EXCEPTION_DAYS,
  MOST_EXCEPTIONS,
} from '../../core/calendar/weekException.ts'
import { MOST_START_EARLY_MINUTES } from '../../core/calendar/weekPlan.ts'
import { parseClockTime } from '../reading/clockTime.ts'
import { byKey, count, date, id, label, listOf, textRule, timeZone } from '../reading/rules.ts'

/** Days as the file writes them, Monday first: the index is the weekday. */
export const DAY_KEYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
type DayKey = (typeof DAY_KEYS)[number]

/** A week as it stands in a file: windows by day, times as text. */
export interface WeekFile {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly windows: { readonly [Day in DayKey]?: readonly { readonly from: string; readonly to: string }[] }
  /** Short for exceptions of one date each that are off and have no name. */
  readonly datesOff?: readonly string[]
  readonly exceptions?: readonly ExceptionFile[]
  readonly besideZone?: string
  readonly startEarlyMinutes?: number
  readonly autoShutdown?: AutoShutdownFile
  readonly habits?: Habits
}

/** Days count on the clock of its zone; the week's where it has none. */
interface AutoShutdownFile {
  readonly at: string
  readonly days: readonly DayKey[]
  readonly timeZone?: string
  readonly off?: ShutdownState
}

export interface ExceptionFile {
  readonly from: string
  /** The last date; `from` where it is absent. */
  readonly to?: string
  readonly does: 'off' | 'on'
  readonly name?: string
}

const MINUTES_PER_DAY = 1440

const exception = Joi.object({
  from: date.required(),
  to: date,
  does: Joi.valid('off', 'on').required(),
  name: label(80),
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

const window = Joi.object({
  from: Joi.string().required(),
  to: Joi.string().required(),
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

export const weekSchema: Joi.ObjectSchema<WeekFile> = Joi.object({
  id: id.required(),
  name: label(60).required(),
  timeZone: timeZone.required(),
  windows: byKey(Joi.valid(...DAY_KEYS), listOf(window, 48), 7).required(),
  datesOff: Joi.array().items(date).max(2_000).unique(),
  exceptions: Joi.array().items(exception).max(MOST_EXCEPTIONS),
  besideZone: timeZone,
  startEarlyMinutes: count(MOST_START_EARLY_MINUTES).min(1),
  habits: Joi.object({
    spreadMinutes: count(MOST_SPREAD_MINUTES).required(),
    forgottenPercent: count(100).required(),
    idle: Joi.object({
      afterMinutes: count(MOST_IDLE_MINUTES).min(1).required(),
      unusedMinutes: count(MOST_IDLE_MINUTES).required(),
    }),
  }),
  autoShutdown: Joi.object({
    at: textRule(
      (text) => (parseClockTime(text) ?? MINUTES_PER_DAY) < MINUTES_PER_DAY,
      'a time such as "20:00"',
    ).required(),
    days: Joi.array()
      .items(Joi.valid(...DAY_KEYS))
      .min(1)
      .max(7)
      .unique()
      .required(),
    timeZone,
    off: Joi.valid(...SHUTDOWN_STATES),
  }),
})
