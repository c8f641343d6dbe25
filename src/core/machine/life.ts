import { parseDate } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { localToInstant, zoneOffsets } from '../calendar/zoneOffsets.ts'
import { instant, SECONDS_PER_DAY, type Instant } from '../quantity/units.ts'

/** The dates between which a machine is planned to exist, in its week's zone; absent ones are open. */
export interface LifeDates {
  /** `2027-03-01`: it is made at the midnight that begins it. */
  readonly firstDay?: string
  /** It is deleted at the midnight that ends it. */
  readonly lastDay?: string
}

/** The same as instants. */
export interface Life {
  readonly from: Instant
  readonly to: Instant
}

export const ALWAYS: Life = { from: instant(-Infinity), to: instant(Infinity) }

export function lifeOf({ firstDay, lastDay }: LifeDates, { timeZone }: Pick<WeekPlan, 'timeZone'>): Life {
  if (firstDay === undefined && lastDay === undefined) return ALWAYS
  const midnight = (date: string, after: number): Instant =>
    localToInstant(zoneOffsets(timeZone), (parseDate(date)! + after) * SECONDS_PER_DAY)
  return {
    from: firstDay === undefined ? ALWAYS.from : midnight(firstDay, 0),
    to: lastDay === undefined ? ALWAYS.to : midnight(lastDay, 1),
  }
}

/** Whether the last day comes before the first. */
export const isLifeBackwards = ({ firstDay, lastDay }: LifeDates): boolean =>
  firstDay !== undefined && lastDay !== undefined && lastDay < firstDay
