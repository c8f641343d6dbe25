import type { DayNumber } from '../../core/calendar/civil.ts'

/** An event of a calendar file as dates of a week's zone. */
export interface CalendarEvent {
  readonly name: string
  readonly allDay: boolean
  readonly repeats: boolean
  /** What it covers within the dates asked about, in order; at least one. */
  readonly dates: readonly DateRange[]
}

/** Both dates count. */
export interface DateRange {
  readonly from: DayNumber
  readonly to: DayNumber
}

/** What was read, and what could not be. */
export interface CalendarDates {
  readonly events: readonly CalendarEvent[]
  /** From the first date that any event has to the last that was met; undefined where none has one. */
  readonly covers: DateRange | undefined
  /** Sentences: events that were left out or read with a doubt. */
  readonly notes: readonly string[]
}
