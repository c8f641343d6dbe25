import { formatDate, parseDate, type Weekday } from '../../core/calendar/civil.ts'
import { sortExceptions, type WeekException } from '../../core/calendar/weekException.ts'
import type { WeekPlan, WeekWindow } from '../../core/calendar/weekPlan.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { accept, type Outcome } from '../../core/outcome.ts'
import { pointerOf, type FileIssue } from '../reading/fileIssue.ts'
import { formatClockTime, parseClockTime } from '../reading/clockTime.ts'
import { PLAN_KIND, PLAN_VERSION, planSchema, type PlanFile } from './planSchema.ts'
import { DAY_KEYS, weekSchema, type ExceptionFile, type WeekFile } from './weekSchema.ts'
import { readJson } from '../reading/readJson.ts'
import { stableJson } from '../reading/stableJson.ts'
import { limited, validate } from '../reading/validate.ts'

/** Reads a plan file whole, or says everything that is wrong with it. */
export function readPlan(text: string): Outcome<Plan, FileIssue> {
  const json = readJson(text, PLAN_KIND, PLAN_VERSION)
  return json.ok ? parsePlan(json.value) : json
}

/** Reads a plan that is already parsed, as the store holds it. */
export function parsePlan(value: unknown): Outcome<Plan, FileIssue> {
  const file = validate(planSchema, value)
  if (!file.ok) return file
  const weekIds = file.value.weeks.map(({ id }) => id)
  const named = file.value.machines.flatMap(({ week, variants = [] }, i) => [
    { week, at: ['machines', i, 'week'] },
    ...variants.map(({ form }, j) => ({
      week: form.week,
      at: ['machines', i, 'variants', j, 'form', 'week'],
    })),
  ])
  const lost = named.flatMap(({ week, at }): FileIssue[] =>
    weekIds.includes(week)
      ? []
      : [
          {
            code: 'unknown-reference',
            pointer: pointerOf(at),
            problem: `There is no week "${week}" in this plan.`,
            expected: weekIds.length > 0 ? `one of ${weekIds.slice(0, 8).join(', ')}.` : 'a week in /weeks.',
          },
        ],
  )
  return lost.length > 0 ? { ok: false, issues: limited(lost) } : accept(toPlan(file.value))
}

/** A plan of what has passed `parsePlan` before, and has not changed since. */
export const checkedPlan = (file: unknown): Plan => toPlan(file as PlanFile)

/** As it leaves the browser: without the id that tells plans apart in it. */
export function writePlan({ id, ...plan }: Plan): string {
  return stableJson(planSchema, planToFile(plan))
}

export const planToFile = (plan: Plan): PlanFile => ({
  ...plan,
  format: `${PLAN_KIND}/${PLAN_VERSION}`,
  weeks: plan.weeks.map(toWeekFile),
})

const toPlan = ({ format: _, month, weeks, ...rest }: PlanFile): Plan => ({
  ...rest,
  month: month as YearMonth,
  weeks: weeks.map(toWeek),
})

/** Reads one week as a plan file holds it; other files carry it too. */
export function parseWeek(value: unknown): Outcome<WeekPlan, FileIssue> {
  const file = validate(weekSchema, value)
  return file.ok ? accept(toWeek(file.value)) : file
}

const toWeek = (file: WeekFile): WeekPlan => ({
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
