import { instant, SECONDS_PER_DAY, type Span } from '../quantity/units.ts'
import { dayNumber, type DayNumber } from './civil.ts'
import { localToInstant, offsetAt, zoneOffsets } from './zoneOffsets.ts'

export interface LocalDay {
  readonly day: DayNumber
  /** The part of the day that lies in the span; 23 or 25 hours where clocks change. */
  readonly span: Span
}

/** The local days of a zone that meet `within`, cut to it. */
export function localDays(within: Span, timeZone: string): LocalDay[] {
  const zone = zoneOffsets(timeZone)
  const days: LocalDay[] = []
  let day = Math.floor((within.from + offsetAt(zone, within.from)) / SECONDS_PER_DAY)
  for (let from = within.from; from < within.to; day += 1) {
    const next = localToInstant(zone, (day + 1) * SECONDS_PER_DAY)
    const to = instant(Math.min(next, within.to))
    if (to > from) {
      days.push({ day: dayNumber(day), span: { from, to } })
      from = to
    }
  }
  return days
}
