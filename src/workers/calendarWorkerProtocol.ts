import type { Outcome } from '../core/outcome.ts'
import type { CalendarDates, DateRange } from '../files/calendar/calendarDates.ts'
import type { FileIssue } from '../files/fileIssue.ts'

/** One question and one answer a worker: cancelling ends it. */
export interface CalendarAsk {
  readonly file: File
  readonly timeZone: string
  readonly within: DateRange
}

export type CalendarAnswer = Outcome<CalendarDates, FileIssue>
