import type { AutoShutdown } from './autoShutdown.ts'
import type { Habits } from './habits.ts'
import type { Weekday } from './civil.ts'
import type { WeekException } from './weekException.ts'

/** One stretch of being on, in wall-clock minutes of the day it starts on. */
export interface WeekWindow {
  readonly day: Weekday
  /** 0 to 1,439: minutes after local midnight. */
  readonly from: number
  /** Above `from`, at most `from` + 1,440; past 1,440 it ends on the next day. Does not count itself. */
  readonly to: number
}

export const MINUTES_PER_DAY = 1_440

/** When machines are on, week by week, on the wall clock of an IANA zone. Machines share week plans. */
export interface WeekPlan {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly windows: readonly WeekWindow[]
  readonly exceptions: readonly WeekException[]
  /** Machines are started so long before each time to be on, so that they are ready when it begins. */
  readonly startEarlyMinutes?: number
  readonly autoShutdown?: AutoShutdown
  readonly habits?: Habits
  /** A zone shown beside the week's own, where a team is split. */
  readonly besideZone?: string
}

export const MOST_START_EARLY_MINUTES = 240

export const isWeekWindow = (window: WeekWindow): boolean =>
  Number.isInteger(window.from) &&
  Number.isInteger(window.to) &&
  window.from >= 0 &&
  window.from < MINUTES_PER_DAY &&
  window.to > window.from &&
  window.to <= window.from + MINUTES_PER_DAY
