import type { MonthReading } from '../core/calendar/billingMonth.ts'

/** Behind a sum: how its months are read, where that is not by the calendar. */
export const readingText = (reading: MonthReading): string =>
  reading === '730-hours' ? ', read as 730 hours' : ''
