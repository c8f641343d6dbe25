import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { Weekday } from '../../core/calendar/civil.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { isTimeZone } from '../../core/calendar/zoneOffsets.ts'

const WORKDAYS: readonly Weekday[] = [0, 1, 2, 3, 4]

const browserZone = (): string => {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
  return isTimeZone(zone) ? zone : 'Etc/UTC'
}

/** Monday to Friday, 9 to 17, where the person is. */
export const officeWeek = (id: string, name: string): WeekPlan => ({
  id,
  name,
  timeZone: browserZone(),
  windows: WORKDAYS.map((day) => ({ day, from: 9 * 60, to: 17 * 60 })),
  exceptions: [],
})

/** By the clock of the browser. */
const thisMonth = (): YearMonth => {
  const now = new Date()
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}` as YearMonth
}

/** A plan to begin with: on the month that is now, and of nobody’s prices until someone says whose. */
export const emptyPlan = (): Plan => ({
  name: 'New plan',
  month: thisMonth(),
  providers: [],
  weeks: [officeWeek('office-days', 'Office days')],
  machines: [],
})
