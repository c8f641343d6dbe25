import type { ShutdownState } from '../../core/calendar/autoShutdown.ts'
import type { Habits } from '../../core/calendar/habits.ts'

/** Days as the file writes them, Monday first: the index is the weekday. */
export const DAY_KEYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
export type DayKey = (typeof DAY_KEYS)[number]

/** A week as it stands in a file: windows by day, times as text. */
export interface WeekFile {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly windows: { readonly [Day in DayKey]?: readonly { readonly from: string; readonly to: string }[] }
  /** Short for exceptions of one date each that are off and have no name. */
  readonly datesOff?: readonly string[]
  readonly exceptions?: readonly ExceptionFile[]
  readonly besideZone?: string
  readonly startEarlyMinutes?: number
  readonly autoShutdown?: AutoShutdownFile
  readonly habits?: Habits
}

/** Days count on the clock of its zone; the week's where it has none. */
export interface AutoShutdownFile {
  readonly at: string
  readonly days: readonly DayKey[]
  readonly timeZone?: string
  readonly off?: ShutdownState
}

export interface ExceptionFile {
  readonly from: string
  /** The last date; `from` where it is absent. */
  readonly to?: string
  readonly does: 'off' | 'on'
  readonly name?: string
}
