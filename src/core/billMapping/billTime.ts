import { parseDate } from '../calendar/civil.ts'
import { localToInstant, type ZoneOffsets } from '../calendar/zoneOffsets.ts'
import { instant, SECONDS_PER_DAY, SECONDS_PER_HOUR, type Instant } from '../quantity/units.ts'
import type { DateOrder } from './billMapping.ts'

/** A time of a bill, and how long what is written there lasts: an hour, a day, a month. */
export interface BillTime {
  readonly at: Instant
  readonly ends: Instant
}

const CLOCK = /[T ]+(\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d{1,9})?)?(?: ?(Z|UTC|[+-]\d{2}:?\d{2}))?$/i
const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})$/
const PACKED = /^(\d{4})(\d{2})(\d{2})$/
const MONTH = /^(\d{4})-(\d{2})$/
const PARTS = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/

/**
 * A date, or a date and a time, as bills write them: `2027-03-01`, `2027-03-01 14:00`, `1.3.2027`, `03/01/2027 2:00`,
 * `20270301`, `2027-03`. What says no zone is local in `zone`. Undefined where it is none.
 */
export function billTime(text: string, order: DateOrder, zone: ZoneOffsets): BillTime | undefined {
  const clock = CLOCK.exec(text)
  const day = text.slice(0, clock ? clock.index : undefined).trim()
  const month = clock ? null : MONTH.exec(day)
  if (month) {
    const first = dateOf(month[1]!, month[2]!, '1')
    return first === undefined ? undefined : local(first, monthAfter(month[1]!, month[2]!), zone)
  }
  const date = dayOf(day, order)
  if (date === undefined) return undefined
  if (!clock) return local(date, date + 1, zone)
  const [, hours, minutes, seconds = '0', offset] = clock
  const within = Number(hours) * SECONDS_PER_HOUR + Number(minutes) * 60 + Number(seconds)
  if (Number(hours) > 24 || Number(minutes) > 59 || Number(seconds) > 60) return undefined
  const wall = date * SECONDS_PER_DAY + within
  const at = offset === undefined ? localToInstant(zone, wall) : instant(wall - secondsOf(offset))
  return { at, ends: instant(at + SECONDS_PER_HOUR) }
}

const local = (from: number, to: number, zone: ZoneOffsets): BillTime => ({
  at: localToInstant(zone, from * SECONDS_PER_DAY),
  ends: localToInstant(zone, to * SECONDS_PER_DAY),
})

function dayOf(text: string, order: DateOrder): number | undefined {
  const iso = ISO.exec(text) ?? PACKED.exec(text)
  if (iso) return dateOf(iso[1]!, iso[2]!, iso[3]!)
  const parts = PARTS.exec(text)
  if (!parts) return undefined
  const [, one, other, year] = parts as unknown as [string, string, string, string]
  // With points the day comes first, whatever the rest of the bill does.
  return order === 'day-first' || text.includes('.') ? dateOf(year, other, one) : dateOf(year, one, other)
}

/** Days since 1970. */
function dateOf(year: string, month: string, day: string): number | undefined {
  return parseDate(`${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`)
}

function monthAfter(year: string, month: string): number {
  const [y, m] = month === '12' ? [Number(year) + 1, 1] : [Number(year), Number(month) + 1]
  return parseDate(`${y}-${String(m).padStart(2, '0')}-01`)!
}

function secondsOf(offset: string): number {
  if (/^[ZU]/i.test(offset)) return 0
  const [hours, minutes] = [Number(offset.slice(1, 3)), Number(offset.slice(-2))]
  return (offset.startsWith('-') ? -1 : 1) * (hours * SECONDS_PER_HOUR + minutes * 60)
}
