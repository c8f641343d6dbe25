import Joi from 'joi'
import { dayNumber, weekdayOf } from '../../core/calendar/civil.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import { isTimeZone, offsetAt, zoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { instant, SECONDS_PER_DAY } from '../../core/quantity/units.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { beyondBounds } from '../reading/jsonBounds.ts'
import { validate } from '../reading/validate.ts'
import { feedTime, MOST_SWITCHES } from './scheduleFeedSchema.ts'
import { notSchedule } from './scheduleIssue.ts'
import type { SwitchFile, Switched } from './switchFile.ts'
import { weekParts } from './weekParts.ts'

interface Feed {
  readonly title: string
  readonly timeZone: string
  readonly switches: readonly { readonly at: string; readonly to: 'on' | 'off' }[]
  readonly week?: object
}

/** What is read of a feed; what else it says of machines is theirs. */
const feedSchema: Joi.ObjectSchema<Feed> = Joi.object({
  format: Joi.string()
    .pattern(/^notchgauge\/schedule\/[12]$/, 'a schedule feed of version 1 or 2')
    .required(),
  title: Joi.string().max(200).required(),
  timeZone: Joi.string().max(64).required(),
  switches: Joi.array()
    .items(
      Joi.object({
        at: feedTime.required(),
        to: Joi.valid('on', 'off').required(),
      }).unknown(),
    )
    .min(1)
    .max(MOST_SWITCHES)
    .required(),
  week: Joi.object(),
}).unknown()

/** The switches of a feed that `scheduleFeed` wrote. */
export function feedSwitches(text: string): Outcome<SwitchFile, FileIssue> {
  const beyond = beyondBounds(text, MOST_SWITCHES)
  if (beyond) return refuse(beyond)
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    return refuse(notSchedule())
  }
  const feed = validate(feedSchema, json, MOST_SWITCHES)
  if (!feed.ok) return isFeed(json) ? feed : refuse(notSchedule())
  const { title, timeZone, week } = feed.value
  const times = feed.value.switches.map(({ at, to }) => ({ at: Date.parse(at) / 1_000, to }))
  const switches = times
    .filter(({ at }) => Number.isInteger(at))
    .map(({ at, to }): Switched => ({ at: instant(at), to }))
    .sort((a, b) => a.at - b.at || (a.to < b.to ? -1 : 1))
  const [first, ...rest] = switches
  if (!first || switches.length < times.length) return refuse(notSchedule())
  return accept({
    name: title,
    timeZone,
    switches: [first, ...rest],
    windows: isTimeZone(timeZone) ? windowsOf(switches, timeZone) : [],
    said: week,
  })
}

const isFeed = (json: unknown): boolean =>
  typeof json === 'object' &&
  json !== null &&
  'format' in json &&
  String(json.format).startsWith('notchgauge/schedule/')

/** Runs that begin and end at the same times of the week in at least half of the weeks that the feed covers. */
function windowsOf(switches: readonly Switched[], timeZone: string): WeekWindow[] {
  const zone = zoneOffsets(timeZone)
  const local = (at: number): number => at + offsetAt(zone, instant(at))
  const counts = new Map<string, { start: number; minutes: number; count: number }>()
  let from: number | undefined
  for (const { at, to } of switches) {
    if (to === 'on') from ??= at
    else if (from !== undefined) {
      const [begins, ends] = [local(from), local(at)]
      const day = Math.floor(begins / SECONDS_PER_DAY)
      const start = weekdayOf(dayNumber(day)) * MINUTES_PER_DAY + (begins - day * SECONDS_PER_DAY) / 60
      const run = { start, minutes: (ends - begins) / 60, count: 0 }
      const key = `${run.start} ${run.minutes}`
      const known = counts.get(key) ?? run
      known.count += 1
      counts.set(key, known)
      from = undefined
    }
  }
  const weeks = Math.max(1, (switches.at(-1)!.at - switches[0]!.at) / (7 * SECONDS_PER_DAY))
  const kept = [...counts.values()].filter(
    ({ start, minutes, count }) =>
      Number.isInteger(start) && minutes > 0 && minutes < 7 * MINUTES_PER_DAY && count * 2 >= weeks,
  )
  return kept.flatMap(({ start, minutes }) => weekParts(start, start + minutes))
}
