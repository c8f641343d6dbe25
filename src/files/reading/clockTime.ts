import { MINUTES_PER_DAY } from '../../core/calendar/weekPlan.ts'

const TIME = /^([01]?\d|2[0-4]):([0-5]\d)(\+1)?$/

/** Minutes after midnight from `08:00`, `24:00`, or `06:00+1` for the next day; undefined when it is none. */
export function parseClockTime(text: string): number | undefined {
  const match = TIME.exec(text)
  if (!match) return undefined
  const minutes = Number(match[1]) * 60 + Number(match[2])
  if (minutes > MINUTES_PER_DAY) return undefined
  return minutes + (match[3] ? MINUTES_PER_DAY : 0)
}

/** What a person writes for a time: also `20`, `8` and `8.30`. Files keep to `08:00`. */
export function readClockTime(text: string): number | undefined {
  const match = /^(\d{1,2})(?:[.:](\d{2}))?(\+1)?$/.exec(text.trim())
  return match
    ? parseClockTime(`${match[1]!.padStart(2, '0')}:${match[2] ?? '00'}${match[3] ?? ''}`)
    : undefined
}

/** `08:00`, `24:00` for midnight at the end of the day, `06:00+1` for times of the next day. */
export function formatClockTime(minutes: number): string {
  const nextDay = minutes > MINUTES_PER_DAY
  const within = nextDay ? minutes - MINUTES_PER_DAY : minutes
  const text = `${String(Math.floor(within / 60)).padStart(2, '0')}:${String(within % 60).padStart(2, '0')}`
  return nextDay ? `${text}+1` : text
}
