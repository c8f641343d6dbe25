import { formatDate, parseDate, type Weekday } from '../../core/calendar/civil.ts'
import { sortExceptions, type WeekException } from '../../core/calendar/weekException.ts'
import type { WeekPlan, WeekWindow } from '../../core/calendar/weekPlan.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { providersUsed } from '../../core/machine/consideredBooks.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { formatClockTime, parseClockTime } from '../reading/clockTime.ts'
import { DAY_KEYS, type ExceptionFile, type WeekFile } from './weekFile.ts'

export const PLAN_KIND = 'notchgauge/plan'
export const PLAN_VERSION = 1

/** A plan as it stands in its file: windows by day, times as text. */
export interface PlanFile extends Omit<Plan, 'month' | 'weeks'> {
  readonly format: string
  readonly month: string
  readonly weeks: readonly WeekFile[]
}

/** A plan of what has passed `parsePlan` before, and has not changed since. */
export const checkedPlan = (file: unknown): Plan => toPlan(file as PlanFile)

export const planToFile = (plan: Plan): PlanFile => ({
  ...plan,
  format: `${PLAN_KIND}/${PLAN_VERSION}`,
  weeks: plan.weeks.map(toWeekFile),
})

/** Of a file that has passed its checks. */
export const toPlan = ({ format: _, month, weeks, ...rest }: PlanFile): Plan => ({
  ...rest,
  // Files of before providers were named consider those that they used.
  providers: rest.providers ?? providersUsed(rest).map((id) => ({ id })),
  month: month as YearMonth,
  weeks: weeks.map(toWeek),
})

/** Of a week that has passed its checks. */
export const toWeek = (file: WeekFile): WeekPlan => ({
  id: file.id,
  name: file.name,
  timeZone: file.timeZone,
  windows: DAY_KEYS.flatMap((key, day) =>
    (file.windows[key] ?? []).map(({ from, to }): WeekWindow => ({
      day: day as Weekday,
      from: parseClockTime(from)!,
      to: parseClockTime(to)!,
    })),
  ),
  exceptions: sortExceptions([
    ...(file.datesOff ?? []).map((date) => toException({ from: date, does: 'off' })),
    ...(file.exceptions ?? []).map(toException),
  ]),
  ...(file.besideZone !== undefined && { besideZone: file.besideZone }),
  ...(file.startEarlyMinutes !== undefined && { startEarlyMinutes: file.startEarlyMinutes }),
  ...(file.habits && { habits: file.habits }),
  ...(file.autoShutdown && {
    autoShutdown: {
      minute: parseClockTime(file.autoShutdown.at)!,
      days: file.autoShutdown.days.map((key) => DAY_KEYS.indexOf(key) as Weekday).sort((a, b) => a - b),
      ...(file.autoShutdown.timeZone !== undefined && { timeZone: file.autoShutdown.timeZone }),
      ...(file.autoShutdown.off && { off: file.autoShutdown.off }),
    },
  }),
})

export const toWeekFile = (week: WeekPlan): WeekFile => ({
  id: week.id,
  name: week.name,
  timeZone: week.timeZone,
  windows: Object.fromEntries(
    DAY_KEYS.flatMap((key, day) => {
      const windows = week.windows.filter((window) => window.day === day).sort((a, b) => a.from - b.from)
      return windows.length === 0
        ? []
        : [[key, windows.map(({ from, to }) => ({ from: formatClockTime(from), to: formatClockTime(to) }))]]
    }),
  ),
  ...(week.exceptions.length > 0 && { exceptions: week.exceptions.map(toExceptionFile) }),
  ...(week.besideZone !== undefined && { besideZone: week.besideZone }),
  ...(week.startEarlyMinutes !== undefined && { startEarlyMinutes: week.startEarlyMinutes }),
  ...(week.habits && { habits: week.habits }),
  ...(week.autoShutdown && {
    autoShutdown: {
      at: formatClockTime(week.autoShutdown.minute),
      days: week.autoShutdown.days.map((day) => DAY_KEYS[day]!),
      ...(week.autoShutdown.timeZone !== undefined && { timeZone: week.autoShutdown.timeZone }),
      ...(week.autoShutdown.off && { off: week.autoShutdown.off }),
    },
  }),
})

const toException = ({ from, to = from, does, name }: ExceptionFile): WeekException => ({
  from: parseDate(from)!,
  to: parseDate(to)!,
  does,
  ...(name !== undefined && { name }),
})

const toExceptionFile = ({ from, to, does, name }: WeekException): ExceptionFile => ({
  from: formatDate(from),
  ...(to > from && { to: formatDate(to) }),
  does,
  ...(name !== undefined && { name }),
})
