import Joi from 'joi'
import { LONGEST_GAP_DAYS, MOST_LONG_GAPS } from '../../core/off/offPlan.ts'
import { MOST_MACHINES } from '../../core/machine/plan.ts'
import { MINUTES_PER_DAY } from '../../core/calendar/weekPlan.ts'
import { weekSchema } from '../plan/weekSchema.ts'
import type { WeekFile } from '../plan/weekFile.ts'
import { count, date, label, listOf, need, objectOf, timeZone } from '../reading/rules.ts'

export const SCHEDULE_FORMAT = 'notchgauge/schedule/2'
export const MOST_SWITCHES = 100_000

/** A feed as it is written: every switch of every machine of a week. */
export interface ScheduleFeed {
  readonly format: typeof SCHEDULE_FORMAT
  readonly title: string
  readonly timeZone: string
  readonly timeZoneData: string
  readonly week: WeekFile
  readonly from: string
  readonly to: string
  readonly machines: readonly FeedMachine[]
  readonly beginsOn: boolean
  readonly switches: readonly FeedSwitch[]
}

interface FeedActions {
  readonly on?: string
  readonly off?: string
}

interface FeedMachine extends FeedActions {
  readonly name: string
  readonly region: string
  readonly longGaps?: readonly FeedGap[]
  readonly autoShutdown?: FeedActions
  readonly firstDay?: string
  readonly lastDay?: string
}

interface FeedGap extends FeedActions {
  readonly fromMinutes: number
}

interface FeedSwitch {
  readonly at: string
  readonly to: 'on' | 'off'
  readonly gapFromMinutes?: number
  readonly by?: 'auto-shutdown'
}

const on = Joi.valid('start', 'create')
const off = Joi.valid('stop', 'deallocate', 'hibernate', 'delete')
const gapMinutes = count(LONGEST_GAP_DAYS * MINUTES_PER_DAY).min(1)

const machine = objectOf<FeedMachine>({
  name: need(label(60)),
  region: need(label(64)),
  off,
  autoShutdown: objectOf<FeedActions>({
    off: Joi.valid('stop', 'deallocate', 'hibernate'),
    on: Joi.valid('start'),
  }).description(
    'What on and off mean for gaps that an auto-shutdown with a state of its own begins, except gaps in which the machine is left on.',
  ),
  firstDay: date.description('It is there from this date of the week’s zone on.'),
  lastDay: date.description('It is gone after this date.'),
  longGaps: listOf(objectOf<FeedGap>({ off, fromMinutes: need(gapMinutes), on }), MOST_LONG_GAPS).description(
    'What on and off mean in gaps of at least so many minutes; shortest first.',
  ),
  on,
})

export const feedTime = Joi.string().pattern(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/, 'a time in UTC')

const feedSwitch = objectOf<FeedSwitch>({
  to: need(Joi.valid('on', 'off')),
  at: need(feedTime),
  by: Joi.valid('auto-shutdown').description(
    'The gap that it begins or ends is one that an auto-shutdown with a state of its own begins.',
  ),
  gapFromMinutes: gapMinutes.description(
    'The gap that it begins or ends lasts at least so long: the longest step of any of the machines that it reaches.',
  ),
})

/** What is written. What is read back is looser: earlier versions, and feeds that were changed by hand. */
export const scheduleFeedSchema = objectOf<ScheduleFeed>({
  format: need(Joi.valid(SCHEDULE_FORMAT)),
  timeZone: need(timeZone).description('IANA zone of the week.'),
  week: need(weekSchema).description(
    'The week that the feed was made of, as a plan file has it (plan.schema.json), without habits; it becomes a week again where the switches were not changed.',
  ),
  from: need(date),
  to: need(date),
  machines: need(listOf(machine, MOST_MACHINES)),
  beginsOn: need(Joi.boolean()),
  switches: need(listOf(feedSwitch, MOST_SWITCHES)),
  timeZoneData: need(Joi.string()).description(
    'The release of the IANA time zone database that the switches go by, such as 2026f.',
  ),
  title: need(Joi.string()),
})
