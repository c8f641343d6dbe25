import { parseDate } from '../calendar/civil.ts'
import { localToInstant, type ZoneOffsets } from '../calendar/zoneOffsets.ts'
import { instant, SECONDS_PER_DAY, SECONDS_PER_HOUR, type Instant } from '../quantity/units.ts'
import { epochSeconds, LONGEST_DATE, partedClock } from './clockText.ts'
import { readDate, type DateOrder } from './readDate.ts'

/** A time of a table, and when what is written there ends: an hour, a day, a month later. */
export interface ReadTime {
  readonly at: Instant
  readonly ends: Instant
}

const MONTH = /^(\d{4})[-/](\d{1,2})$/
const NAMED_MONTH = /^(\p{L}{3,10})\.?\s+(\d{4})$/u

/**
 * A date, or a date and a time, as `readDate` reads dates: `2027-03-01 14:00`, `2027-03-01 00:00:00+00`,
 * `3/1/2027 2:00 PM`, `2027-03`, seconds or milliseconds since 1970. What says no zone is local in `zone`. Undefined where it
 * is none.
 */
export function readTime(text: string, order: DateOrder, zone: ZoneOffsets): ReadTime | undefined {
  const said = text.trim()
  if (said.length > LONGEST_DATE) return undefined
  const epoch = epochSeconds(said)
  if (epoch !== undefined) return { at: instant(epoch), ends: instant(epoch + SECONDS_PER_HOUR) }
  const { day, clock } = partedClock(said)
  const month = clock ? undefined : monthOf(day)
  if (month) return local(month.from, month.to, zone)
  const read = readDate(day, order)
  const date = read.ok ? parseDate(read.value) : undefined
  if (date === undefined) return undefined
  if (!clock) return local(date, date + 1, zone)
  const within = secondsOfDay(clock)
  if (within === undefined) return undefined
  const wall = date * SECONDS_PER_DAY + within
  const offset = clock[5]
  const at = offset === undefined ? localToInstant(zone, wall) : instant(wall - secondsOf(offset))
  return { at, ends: instant(at + SECONDS_PER_HOUR) }
}

/** With twelve hours and a half of the day, or twenty-four. */
function secondsOfDay([, hours, minutes, seconds = '0', half]: RegExpExecArray): number | undefined {
  const [hour, minute, second] = [Number(hours), Number(minutes), Number(seconds)]
  if (minute > 59 || second > 60 || hour > 24) return undefined
  if (half === undefined) return hour * SECONDS_PER_HOUR + minute * 60 + second
  if (hour < 1 || hour > 12) return undefined
  const of24 = (hour % 12) + (/p/i.test(half) ? 12 : 0)
  return of24 * SECONDS_PER_HOUR + minute * 60 + second
}

const local = (from: number, to: number, zone: ZoneOffsets): ReadTime => ({
  at: localToInstant(zone, from * SECONDS_PER_DAY),
  ends: localToInstant(zone, to * SECONDS_PER_DAY),
})

/** A whole month, as days since 1970. */
function monthOf(text: string): { readonly from: number; readonly to: number } | undefined {
  const numbers = MONTH.exec(text)
  const named = numbers ? null : NAMED_MONTH.exec(text)
  const first = numbers
    ? readDate(`${numbers[1]!}-${numbers[2]!}-1`)
    : named
      ? readDate(`1 ${named[1]!} ${named[2]!}`)
      : undefined
  if (!first?.ok) return undefined
  const [year, month] = first.value.split('-').map(Number) as [number, number]
  const next = month === 12 ? `${year + 1}-01-01` : `${year}-${String(month + 1).padStart(2, '0')}-01`
  return { from: parseDate(first.value)!, to: parseDate(next)! }
}

function secondsOf(offset: string): number {
  if (/^[ZUG]/i.test(offset)) return 0
  const minutes = offset.length > 3 ? Number(offset.slice(-2)) : 0
  return (offset.startsWith('-') ? -1 : 1) * (Number(offset.slice(1, 3)) * SECONDS_PER_HOUR + minutes * 60)
}
