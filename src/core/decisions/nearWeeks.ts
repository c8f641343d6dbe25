import { exceptionDays, sortExceptions, type WeekException } from '../calendar/weekException.ts'
import { MINUTES_PER_DAY, type WeekPlan, type WeekWindow } from '../calendar/weekPlan.ts'
import type { Weekday } from '../calendar/civil.ts'

const DAYS: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]
const WORKDAYS = DAYS.slice(0, 5)
const HOUR = 60

/** How a week differs from the one that it lies beside. */
const NEAR_KINDS = [
  'hour-less',
  'hour-later',
  'day-less',
  'merged',
  'holidays',
  'nine-to-five',
  'always',
] as const
export type NearKind = (typeof NEAR_KINDS)[number]

export interface NearWeek {
  readonly kind: NearKind
  readonly week: WeekPlan
}

/**
 * Weeks worth a look beside the plan's own: an hour less at the end or the start of each window, the last of several days
 * dropped, the windows of each day as one, the days off that other weeks of the plan have, nine to five, and always.
 * Those that the plan already holds under any name are left out, and those that are the same as one before. Ids are free
 * in the plan.
 */
export function nearWeeks(week: WeekPlan, weeks: readonly WeekPlan[]): NearWeek[] {
  const { windows, exceptions } = week
  const nineToFive = windowsOn(WORKDAYS, 9 * HOUR, 17 * HOUR)
  const all: Record<NearKind, Partial<WeekPlan>> = {
    'hour-less': { windows: longEnough(windows.map((window) => ({ ...window, to: window.to - HOUR }))) },
    'hour-later': { windows: longEnough(windows.map((window) => ({ ...window, from: window.from + HOUR }))) },
    'day-less': { windows: withoutLastDay(windows) },
    merged: { windows: DAYS.flatMap((day) => merged(windows.filter((window) => window.day === day))) },
    holidays: { exceptions: sortExceptions([...exceptions, ...daysOffElsewhere(week, weeks)]) },
    'nine-to-five': { windows: nineToFive },
    always: { windows: windowsOn(DAYS, 0, MINUTES_PER_DAY), exceptions: [] },
  }
  const known = new Set([...weeks, week].map(hoursOf))
  const ids = weeks.map(({ id }) => id)
  return NEAR_KINDS.flatMap((kind): NearWeek[] => {
    const own = kind === 'nine-to-five' || kind === 'always'
    const near = {
      ...week,
      ...all[kind],
      id: freeId(own ? kind : `${week.id.slice(0, 50)}-${kind}`, ids),
      name: own ? NAMES[kind] : cut(`${week.name}, ${NAMES[kind]}`),
    }
    const hours = hoursOf(near)
    if (near.windows.length === 0 || known.has(hours)) return []
    known.add(hours)
    return [{ kind, week: near }]
  })
}

const NAMES: Record<NearKind, string> = {
  'hour-less': 'an hour less',
  'hour-later': 'an hour later',
  'day-less': 'a day less',
  merged: 'without breaks',
  holidays: 'with holidays',
  'nine-to-five': 'Nine to five',
  always: 'Always',
}

/** A window of midnight to midnight that begins later on the same day still begins on it. */
const longEnough = (windows: readonly WeekWindow[]): WeekWindow[] =>
  windows.filter(({ from, to }) => to > from && from < MINUTES_PER_DAY)

/** The last day of the working week goes, or the last of all where none of those has windows; one day stays. */
function withoutLastDay(windows: readonly WeekWindow[]): WeekWindow[] {
  const days = [...new Set(windows.map(({ day }) => day))].sort((a, b) => a - b)
  const last = days.findLast((day) => WORKDAYS.includes(day)) ?? days.at(-1)
  return days.length < 2 ? [...windows] : windows.filter(({ day }) => day !== last)
}

/** One window from the first start to the last end, at most a day long. */
function merged(ofDay: readonly WeekWindow[]): WeekWindow[] {
  const [first] = ofDay
  if (!first) return []
  const from = Math.min(...ofDay.map((window) => window.from))
  const to = Math.max(...ofDay.map((window) => window.to))
  return [{ day: first.day, from, to: Math.min(to, from + MINUTES_PER_DAY) }]
}

/** Days off of the week that knows most of them, since two lists of holidays would double them. */
function daysOffElsewhere(week: WeekPlan, weeks: readonly WeekPlan[]): readonly WeekException[] {
  const known = exceptionDays(week.exceptions)
  const missing = weeks
    .filter(({ id }) => id !== week.id)
    .map(({ exceptions }) =>
      exceptions.filter(({ does, from }) => does === 'off' && !known.off.has(from) && !known.on.has(from)),
    )
  return missing.reduce((most, each) => (each.length > most.length ? each : most), [])
}

const LONGEST_NAME = 60
const cut = (name: string): string =>
  name.length > LONGEST_NAME ? name.slice(-LONGEST_NAME).trimStart() : name

const windowsOn = (days: readonly Weekday[], from: number, to: number): WeekWindow[] =>
  days.map((day) => ({ day, from, to }))

/** Two weeks of the same hours are one choice, whatever they are called. */
const hoursOf = ({ timeZone, windows, exceptions, startEarlyMinutes, autoShutdown }: WeekPlan): string =>
  JSON.stringify([
    timeZone,
    windows.map(({ day, from, to }) => [day, from, to]).sort(byStart),
    exceptions.map(({ from, to, does }) => [from, to, does]),
    startEarlyMinutes,
    autoShutdown,
  ])

const byStart = (a: readonly number[], b: readonly number[]): number => a[0]! - b[0]! || a[1]! - b[1]!

function freeId(id: string, taken: readonly string[]): string {
  let free = id
  for (let number = 2; taken.includes(free); number += 1) free = `${id}-${number}`
  return free
}
