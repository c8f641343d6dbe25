import type { Weekday } from '../calendar/civil.ts'
import { dayNumber, parseDate, weekdayOf } from '../calendar/civil.ts'
import type { WeekWindow } from '../calendar/weekPlan.ts'
import { MINUTES_PER_DAY } from '../calendar/weekPlan.ts'

/** A week as a bill by days lets it be told: how many hours of each weekday, not which. */
export interface BilledWeek {
  readonly windows: readonly WeekWindow[]
  /** 1 where each day of the bill has the hours of the week, 0 where none of them has. */
  readonly fit: number
}

const WEEKDAYS: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]
/** Hours begin at eight where they leave a choice. */
const USUAL_START = 8 * 60
const STEP = 15
/** A day with less is one on which it was off. */
const LEAST_MINUTES = 10
const ALL_DAY = 23.75 * 60

/**
 * The usual hours of each weekday, as one window each; `dates` are those that the bill covers, `seconds` the machine’s time
 * on those on which it has some. O(dates).
 */
export function billedWeek(dates: readonly string[], seconds: ReadonlyMap<string, number>): BilledWeek {
  const usual = WEEKDAYS.map((day) => {
    const own = dates
      .filter((date) => weekdayOf(dayNumber(parseDate(date)!)) === day)
      .map((date) => (seconds.get(date) ?? 0) / 60)
    return middle(own)
  })
  const windows = usual.flatMap((minutes, i): WeekWindow[] => {
    const day = WEEKDAYS[i]!
    if (minutes < LEAST_MINUTES) return []
    if (minutes >= ALL_DAY) return [{ day, from: 0, to: MINUTES_PER_DAY }]
    const length = Math.max(STEP, Math.round(minutes / STEP) * STEP)
    const from = Math.max(0, Math.min(USUAL_START, MINUTES_PER_DAY - length))
    return [{ day, from, to: from + length }]
  })
  const planned = WEEKDAYS.map((day) =>
    windows.filter((window) => window.day === day).reduce((sum, { from, to }) => sum + to - from, 0),
  )
  let [off, all] = [0, 0]
  for (const date of dates) {
    const billed = (seconds.get(date) ?? 0) / 60
    const due = planned[weekdayOf(dayNumber(parseDate(date)!))]!
    off += Math.abs(billed - due)
    all += Math.max(billed, due)
  }
  return { windows, fit: all === 0 ? 1 : 1 - off / all }
}

/** So that one holiday, or one night too many, moves nothing. */
function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? 0
}
