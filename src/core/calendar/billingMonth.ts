import {
  instant,
  lengthOf,
  SECONDS_PER_DAY,
  SECONDS_PER_HOUR,
  type Instant,
  type Span,
} from '../quantity/units.ts'
import { dayOf, parseDate } from './civil.ts'
import { yearMonthParts, type YearMonth } from './yearMonth.ts'
import { localToInstant, zoneOffsets } from './zoneOffsets.ts'

/**
 * How a month is read: as the calendar has it, or as the 730 hours that printed price lists take for any month. The
 * two are never mixed in one figure.
 */
export const MONTH_READINGS = ['calendar', '730-hours'] as const
export type MonthReading = (typeof MONTH_READINGS)[number]

export const PRINTED_MONTH_HOURS = 730

export interface BillingMonth extends Span {
  readonly reading: MonthReading
}

/** From local midnight of the first to local midnight of the next first, in the provider's billing zone. */
export function billingMonth(
  month: YearMonth,
  billingZone: string,
  reading: MonthReading = 'calendar',
): BillingMonth {
  const { year, month: number } = yearMonthParts(month)
  const zone = zoneOffsets(billingZone)
  return {
    from: localToInstant(zone, dayOf(year, number, 1) * SECONDS_PER_DAY),
    to: localToInstant(zone, dayOf(year, number + 1, 1) * SECONDS_PER_DAY),
    reading,
  }
}

/** The instant at which `date` (`2027-03-31`) is over in the zone. */
export function endOfDate(date: string, timeZone: string): Instant {
  const day = parseDate(date)
  if (day === undefined) throw new RangeError(`not a date: ${date}`)
  return localToInstant(zoneOffsets(timeZone), instant((day + 1) * SECONDS_PER_DAY))
}

/**
 * How true time counts against rates per hour: in ticks, so that both readings stay in whole numbers. Read as 730
 * hours, each second of a month of `m` seconds counts 730 × 3,600 ÷ m seconds.
 */
export interface HourClock {
  readonly ticksPerSecond: number
  readonly ticksPerHour: number
}

const CALENDAR_CLOCK: HourClock = { ticksPerSecond: 1, ticksPerHour: SECONDS_PER_HOUR }

export const hourClock = (month: BillingMonth): HourClock =>
  month.reading === 'calendar'
    ? CALENDAR_CLOCK
    : {
        ticksPerSecond: PRINTED_MONTH_HOURS * SECONDS_PER_HOUR,
        ticksPerHour: SECONDS_PER_HOUR * lengthOf(month),
      }
