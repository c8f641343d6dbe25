import type { DayNumber } from './civil.ts'

/** Dates of the week's zone on which its windows do not count as written. */
export interface WeekException {
  readonly from: DayNumber
  /** The last date, which counts too; not before `from`. */
  readonly to: DayNumber
  /**
   * `off`: windows that start on these dates are dropped. `on`: machines run through them, from the first midnight to
   * the one after the last date, whatever else is said of these dates: `off` has no effect on them, nor has an
   * auto-shutdown.
   */
  readonly does: 'off' | 'on'
  /** What it is for: a public holiday, a release week. */
  readonly name?: string
}

export const MOST_EXCEPTIONS = 5_000
/** Longer ones are two exceptions, or no week plan. */
export const LONGEST_EXCEPTION_DAYS = 366

export const isWeekException = ({ from, to }: WeekException): boolean =>
  to >= from && to - from < LONGEST_EXCEPTION_DAYS

/** The dates of both sorts, one by one, each in one of them: what is both is on. O(dates). */
export interface ExceptionDays {
  readonly off: ReadonlySet<number>
  readonly on: ReadonlySet<number>
}

export function exceptionDays(exceptions: readonly WeekException[]): ExceptionDays {
  const days = { off: new Set<number>(), on: new Set<number>() }
  for (const { from, to, does } of exceptions) {
    for (let day: number = from; day <= to; day += 1) days[does].add(day)
  }
  for (const day of days.on) days.off.delete(day)
  return days
}

/** In order of their dates; the same dates said twice are kept once, under the first name. */
export function sortExceptions(exceptions: readonly WeekException[]): WeekException[] {
  const sorted = [...exceptions].sort((a, b) => a.from - b.from || a.to - b.to || (a.does < b.does ? -1 : 1))
  return sorted.filter((each, i) => {
    const before = sorted[i - 1]
    return before?.from !== each.from || before.to !== each.to || before.does !== each.does
  })
}
