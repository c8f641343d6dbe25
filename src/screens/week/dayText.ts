import type { Weekday } from '../../core/calendar/civil.ts'
import { isWeekWindow, MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import { formatClockTime, readClockTime } from '../../files/reading/clockTime.ts'

export type DayReading =
  | { readonly ok: true; readonly windows: readonly WeekWindow[] }
  | { readonly ok: false; readonly problem: string }

/** One day's windows as text: `08:00–12:00, 13:00–18:00`. */
export const writeDay = (windows: readonly WeekWindow[], day: Weekday): string =>
  windows
    .filter((window) => window.day === day)
    .sort((a, b) => a.from - b.from)
    .map(({ from, to }) => `${formatClockTime(from)}–${formatClockTime(to)}`)
    .join(', ')

/**
 * Reads what a person types for a day: `8-18`, `08:00–12:00, 13:00 to 17:30`, `22:00–06:00` for a night. Nothing means
 * off all day. An end at or before its start is taken for the next day.
 */
export function readDay(text: string, day: Weekday): DayReading {
  const parts = text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
  const windows: WeekWindow[] = []
  for (const part of parts) {
    const ends = part.split(/\s*(?:–|—|-|\bto\b)\s*/)
    const from = readTime(ends[0])
    const end = readTime(ends[1])
    if (ends.length !== 2 || from === undefined || end === undefined) {
      return { ok: false, problem: `“${part}” is not a stretch of time. Write it like 08:00–18:00.` }
    }
    const window = { day, from, to: end <= from ? end + MINUTES_PER_DAY : end }
    if (!isWeekWindow(window)) {
      return { ok: false, problem: `“${part}” must start before 24:00 and last at most 24 hours.` }
    }
    windows.push(window)
  }
  windows.sort((a, b) => a.from - b.from)
  const overlap = windows.findIndex((window, i) => i > 0 && window.from < windows[i - 1]!.to)
  if (overlap > 0) {
    const [a, b] = [windows[overlap - 1]!, windows[overlap]!]
    return { ok: false, problem: `${formatClockTime(b.from)} begins before ${formatClockTime(a.to)} ends.` }
  }
  return { ok: true, windows }
}

const readTime = (text: string | undefined): number | undefined =>
  text === undefined ? undefined : readClockTime(text)
