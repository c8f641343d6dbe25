import { parseDate, type Weekday } from '../calendar/civil.ts'
import type { WeekPlan, WeekWindow } from '../calendar/weekPlan.ts'

export const WORKDAYS: readonly Weekday[] = [0, 1, 2, 3, 4]
export const EVERY_DAY: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]

const minutes = (text: string): number => Number(text.slice(0, 2)) * 60 + Number(text.slice(3))

/** Windows `08:00-18:00` on each of `days`; one that would end before it starts ends the next day. */
export const windowsOn = (days: readonly Weekday[], ...ranges: string[]): WeekWindow[] =>
  days.flatMap((day) =>
    ranges.map((range) => {
      const [from, to] = range.split('-').map(minutes) as [number, number]
      return { day, from, to: to > from ? to : to + 1440 }
    }),
  )

export const weekOf = (
  timeZone: string,
  windows: readonly WeekWindow[],
  datesOff: string[] = [],
): WeekPlan => ({
  id: 'week',
  name: 'Week',
  timeZone,
  windows,
  exceptions: datesOff.map((date) => ({ from: parseDate(date)!, to: parseDate(date)!, does: 'off' })),
})
