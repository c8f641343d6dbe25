import { civilDate, dayNumber } from '../../core/calendar/civil.ts'
import { yearMonthParts, type YearMonth } from '../../core/calendar/yearMonth.ts'
import { billingMonth } from '../../core/calendar/billingMonth.ts'
import { clockChanges, zoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { instant, SECONDS_PER_DAY } from '../../core/quantity/units.ts'
import { formatDay } from '../../wording/time'

/** What the clocks of a zone do next, from the start of a month on: `clocks go forward on 28 March`. */
export function clockChangeText(timeZone: string, month: YearMonth): string {
  const { year } = yearMonthParts(month)
  const zone = zoneOffsets(timeZone)
  const { from } = billingMonth(month, timeZone)
  const [next] = clockChanges(zone, from, instant(from + 366 * SECONDS_PER_DAY))
  if (!next) return 'no clock changes in the next twelve months'
  const day = dayNumber(Math.floor((next.at + next.before) / SECONDS_PER_DAY))
  const minutes = Math.abs(next.after - next.before) / 60
  const by = minutes === 60 ? '' : ` by ${minutes} min`
  const inYear = civilDate(day).year === year ? '' : ` ${civilDate(day).year}`
  return `clocks go ${next.after > next.before ? 'forward' : 'back'}${by} on ${formatDay(day)}${inYear}`
}
