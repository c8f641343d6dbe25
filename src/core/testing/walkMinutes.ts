import { Temporal } from 'temporal-polyfill'
import { formatDate, parseDate } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'

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
  const on = new Uint8Array((to - from) / MINUTE)
  const firstDate = Math.floor(start / DAY) + 1
  const lastDate = Math.floor(end / DAY) - 1
  for (let date = firstDate; date < lastDate; date += 1) {
    const text = formatDate(date as never)
    const isoWeekday = Temporal.PlainDate.from(text).dayOfWeek
    const said = week.exceptions.filter(
      (each) => formatDate(each.from) <= text && text <= formatDate(each.to),
    )
    const flag = (opens: number | undefined, closes: number | undefined): void => {
      if (opens === undefined || closes === undefined) return
      for (let at = Math.max(opens, from); at < Math.min(closes, to); at += MINUTE)
        on[(at - from) / MINUTE] = 1
    }
    if (said.some(({ does }) => does === 'on')) {
      flag(instantOfLocal.get(date * DAY), instantOfLocal.get((date + 1) * DAY))
    }
    if (said.some(({ does }) => does === 'off')) continue
    for (const window of week.windows.filter(({ day }) => day + 1 === isoWeekday)) {
      flag(
        instantOfLocal.get(parseDate(text)! * DAY + window.from * MINUTE),
        instantOfLocal.get(parseDate(text)! * DAY + window.to * MINUTE),
      )
    }
  }
  return [...on].map(Boolean)
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
  let before = offset(timeZone, start)
  for (let at = start; at < end; at += MINUTE) {
    const now = at % (15 * MINUTE) === 0 ? offset(timeZone, at) : before
    for (let skipped = at + before; skipped < at + now; skipped += MINUTE) {
      instantOfLocal.set(skipped, skipped - before)
    }
    if (!instantOfLocal.has(at + now)) instantOfLocal.set(at + now, at)
    before = now
  }
  return instantOfLocal
}

const offset = (timeZone: string, at: number): number =>
  Temporal.Instant.fromEpochMilliseconds(at * 1000).toZonedDateTimeISO(timeZone).offsetNanoseconds / 1e9
