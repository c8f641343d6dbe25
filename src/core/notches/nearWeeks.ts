import { MINUTES_PER_DAY, type WeekPlan, type WeekWindow } from '../calendar/weekPlan.ts'
import type { Weekday } from '../calendar/civil.ts'

const DAYS: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]
const WORKDAYS = DAYS.slice(0, 5)
const HOUR = 60

/**
 * Weeks worth a look beside the plan's own: one hour less at the end of each window, nine to five, and always. Those
 * that the plan already holds under any name are left out. Ids are free in the plan.
 */
export function nearWeeks(week: WeekPlan, weeks: readonly WeekPlan[]): WeekPlan[] {
  const shorter = week.windows
    .map((window) => ({ ...window, to: window.to - HOUR }))
    .filter(({ from, to }) => to > from)
  const variants: WeekPlan[] = [
    {
      ...week,
      id: `${week.id.slice(0, 50)}-hour-less`,
      name: cut(`${week.name}, an hour less`),
      windows: shorter,
    },
    { ...week, id: 'nine-to-five', name: 'Nine to five', windows: windowsOn(WORKDAYS, 9 * HOUR, 17 * HOUR) },
    { ...week, id: 'always', name: 'Always', windows: windowsOn(DAYS, 0, MINUTES_PER_DAY), exceptions: [] },
  ]
  const known = new Set(weeks.map(hoursOf))
  const ids = weeks.map(({ id }) => id)
  return variants
    .filter((variant) => variant.windows.length > 0 && !known.has(hoursOf(variant)))
    .map((variant) => ({ ...variant, id: freeId(variant.id, ids) }))
}

const LONGEST_NAME = 60
const cut = (name: string): string =>
  name.length > LONGEST_NAME ? name.slice(-LONGEST_NAME).trimStart() : name

const windowsOn = (days: readonly Weekday[], from: number, to: number): WeekWindow[] =>
  days.map((day) => ({ day, from, to }))

/** Two weeks of the same hours are one choice, whatever they are called. */
const hoursOf = ({ timeZone, windows, exceptions, autoShutdown }: WeekPlan): string =>
  JSON.stringify([
    timeZone,
    windows.map(({ day, from, to }) => [day, from, to]).sort(byStart),
    exceptions.map(({ from, to, does }) => [from, to, does]),
    autoShutdown,
  ])

const byStart = (a: readonly number[], b: readonly number[]): number => a[0]! - b[0]! || a[1]! - b[1]!

function freeId(id: string, taken: readonly string[]): string {
  let free = id
  for (let number = 2; taken.includes(free); number += 1) free = `${id}-${number}`
  return free
}
