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

export const emptyPlan = (month: YearMonth): Plan => ({
  name: 'New plan',
  month,
  providers: [],
  weeks: [officeWeek('office-days', 'Office days')],
  machines: [],
})
