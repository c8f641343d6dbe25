import type { Weekday } from './civil.ts'
import { paintWindows } from './paintWindows.ts'
import { MINUTES_PER_DAY, type WeekPlan, type WeekWindow } from './weekPlan.ts'
import { offsetAt, zoneOffsets } from './zoneOffsets.ts'
import type { Instant } from '../quantity/units.ts'

/** Usual weeks to begin from. */
export const WEEK_PRESETS = ['office', 'nights', 'two-shifts', 'always', 'never'] as const
export type WeekPreset = (typeof WEEK_PRESETS)[number]

const DAYS: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]
const WORKDAYS = DAYS.slice(0, 5)
const HOUR = 60
const OFFICE = { from: 9 * HOUR, to: 17 * HOUR }

/**
 * The windows of a preset on the week's clock. Two shifts are the office hours of the week's zone and of the one beside
 * it, as their clocks stand at `at`: the second one moves by an hour when only one of the two changes its clocks.
 */
export function presetWindows(
  preset: WeekPreset,
  { timeZone, besideZone }: Pick<WeekPlan, 'timeZone' | 'besideZone'>,
  at: Instant,
): WeekWindow[] {
  switch (preset) {
    case 'office':
      return WORKDAYS.map((day) => ({ day, ...OFFICE }))
    case 'nights':
      return WORKDAYS.map((day) => ({ day, from: 22 * HOUR, to: 30 * HOUR }))
    case 'always':
      return DAYS.map((day) => ({ day, from: 0, to: MINUTES_PER_DAY }))
    case 'never':
      return []
    case 'two-shifts': {
      const offset = (zone: string): number => offsetAt(zoneOffsets(zone), at)
      const ahead = Math.round((offset(timeZone) - offset(besideZone ?? timeZone)) / 60)
      const own = presetWindows('office', { timeZone }, at)
      return WORKDAYS.reduce((windows, day) => paintFrom(windows, day, OFFICE.from + ahead), own)
    }
  }
}

/** Office hours from a minute of the day on, which may lie on the day before or after. */
function paintFrom(windows: readonly WeekWindow[], day: Weekday, minute: number): WeekWindow[] {
  const start = (day * MINUTES_PER_DAY + minute + 7 * MINUTES_PER_DAY) % (7 * MINUTES_PER_DAY)
  const on = Math.floor(start / MINUTES_PER_DAY) as Weekday
  const from = start % MINUTES_PER_DAY
  const to = from + OFFICE.to - OFFICE.from
  const first = paintWindows(windows, { day: on, from, to: Math.min(to, MINUTES_PER_DAY), on: true })
  return to <= MINUTES_PER_DAY
    ? first
    : paintWindows(first, { day: ((on + 1) % 7) as Weekday, from: 0, to: to - MINUTES_PER_DAY, on: true })
}

/** The week with the windows that start on one day put on other days too, in place of theirs. */
export function copyDay(windows: readonly WeekWindow[], from: Weekday, to: readonly Weekday[]): WeekWindow[] {
  const others = to.filter((day) => day !== from)
  const own = windows.filter(({ day }) => day === from)
  return [
    ...windows.filter(({ day }) => !others.includes(day)),
    ...others.flatMap((day) => own.map((window) => ({ ...window, day }))),
  ].sort((a, b) => a.day - b.day || a.from - b.from)
}
