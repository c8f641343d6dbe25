import { Temporal } from 'temporal-polyfill'
import { formatDate, parseDate } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { readerOffset } from './zoneReader.ts'

const MINUTE = 60
const DAY = 86_400

/**
 * The slow twin of `weekSpans`: walks real time minute by minute, noting what the wall clock shows, and so learns for
 * each wall-clock minute the instant that it stands for. Then switches minutes on, window by window.
 * Only for whole-minute offsets. Answers one flag a minute of `from` to `to`, which are whole minutes.
 */
export function walkMinutes(week: WeekPlan, from: number, to: number): boolean[] {
  const start = from - 4 * DAY
  const end = to + 3 * DAY
  const instantOfLocal = readClock(week.timeZone, start, end)
  const shutdowns = shutdownsOf(week, start, end)
  const through: [number, number][] = []
  for (let date = Math.floor(start / DAY) + 1; date < Math.floor(end / DAY) - 1; date += 1) {
    if (!isOn(week, date)) continue
    through.push([
      instantOfLocal.get(date * DAY) ?? Infinity,
      instantOfLocal.get((date + 1) * DAY) ?? Infinity,
    ])
  }
  const cuts = shutdowns.filter((at) => !through.some(([first, last]) => first <= at && at < last))
  const on = new Uint8Array((to - from) / MINUTE)
  const firstDate = Math.floor(start / DAY) + 1
  const lastDate = Math.floor(end / DAY) - 1
  for (let date = firstDate; date < lastDate; date += 1) {
    const text = formatDate(date as never)
    const isoWeekday = Temporal.PlainDate.from(text).dayOfWeek
    const said = week.exceptions.filter(
      (each) => formatDate(each.from) <= text && text <= formatDate(each.to),
    )
    const flag = (opens: number | undefined, closes: number | undefined, isWindow: boolean): void => {
      if (opens === undefined || closes === undefined) return
      if (closes <= opens) return
      const starts = opens - (week.startEarlyMinutes ?? 0) * MINUTE
      const shut = (isWindow && cuts.find((each) => each > opens)) || Infinity
      for (let at = Math.max(starts, from); at < Math.min(closes, shut, to); at += MINUTE)
        on[(at - from) / MINUTE] = 1
    }
    if (isOn(week, date) && !isOn(week, date - 1)) {
      let last = date
      while (isOn(week, last + 1)) last += 1
      flag(instantOfLocal.get(date * DAY), instantOfLocal.get((last + 1) * DAY) ?? Infinity, false)
    }
    if (!isOn(week, date) && said.some(({ does }) => does === 'off')) continue
    for (const window of week.windows.filter(({ day }) => day + 1 === isoWeekday)) {
      flag(
        instantOfLocal.get(parseDate(text)! * DAY + window.from * MINUTE),
        instantOfLocal.get(parseDate(text)! * DAY + window.to * MINUTE),
        true,
      )
    }
  }
  return [...on].map(Boolean)
}

const isOn = ({ exceptions }: WeekPlan, date: number): boolean =>
  exceptions.some(({ from, to, does }) => does === 'on' && from <= date && date <= to)

/** Every auto-shutdown in order, found by walking its own clock. */
export function shutdownsOf({ autoShutdown, timeZone }: WeekPlan, start: number, end: number): number[] {
  if (!autoShutdown) return []
  const clock = readClock(autoShutdown.timeZone ?? timeZone, start, end)
  const found: number[] = []
  for (let date = Math.floor(start / DAY); date <= Math.ceil(end / DAY); date += 1) {
    const isoWeekday = Temporal.PlainDate.from(formatDate(date as never)).dayOfWeek
    if (!autoShutdown.days.some((day) => day + 1 === isoWeekday)) continue
    const at = clock.get(date * DAY + autoShutdown.minute * MINUTE)
    if (at !== undefined) found.push(at)
  }
  return found.sort((a, b) => a - b)
}

/** What instant each wall-clock minute stands for: the first time it shows, or by the offset before where it is skipped. */
function readClock(timeZone: string, start: number, end: number): Map<number, number> {
  const key = `${timeZone} ${start} ${end}`
  let clock = clocks.get(key)
  if (clock) return clock
  clock = walkClock(timeZone, start, end)
  if (clocks.size >= MOST_CLOCKS) clocks.clear()
  clocks.set(key, clock)
  return clock
}

/** Each holds ten thousand minutes and more. */
const MOST_CLOCKS = 40
const clocks = new Map<string, Map<number, number>>()

function walkClock(timeZone: string, start: number, end: number): Map<number, number> {
  const instantOfLocal = new Map<number, number>()
  let before = readerOffset(timeZone, start)
  for (let at = start; at < end; at += MINUTE) {
    const now = at % (15 * MINUTE) === 0 ? readerOffset(timeZone, at) : before
    for (let skipped = at + before; skipped < at + now; skipped += MINUTE) {
      instantOfLocal.set(skipped, skipped - before)
    }
    if (!instantOfLocal.has(at + now)) instantOfLocal.set(at + now, at)
    before = now
  }
  return instantOfLocal
}
