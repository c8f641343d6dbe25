import type { Weekday } from '../../core/calendar/civil.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'

/** A stretch of a week as windows of a day at most. Minutes since Monday's midnight; it may go over Sunday's end. */
export function weekParts(start: number, stop: number): WeekWindow[] {
  const windows: WeekWindow[] = []
  for (let at = start; at < stop; at += MINUTES_PER_DAY) {
    const day = (Math.floor(at / MINUTES_PER_DAY) % 7) as Weekday
    const from = at % MINUTES_PER_DAY
    windows.push({ day, from, to: from + Math.min(MINUTES_PER_DAY, stop - at) })
  }
  return windows
}
