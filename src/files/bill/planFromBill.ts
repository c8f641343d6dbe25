import { planOfBill, type PlanOfBill } from '../../core/fromBill/planOfBill.ts'
import { scheduleSaving, type ScheduleSaving } from '../../core/fromBill/scheduleSaving.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { BillReading } from './readBill.ts'

export interface PlanFromBill extends Omit<PlanOfBill, 'others'> {
  /** Names of resources that are of no machine. */
  readonly others: readonly string[]
  readonly savings: readonly ScheduleSaving[]
}

/** A plan, its prices, and what the first thing to try would save. */
export function planFromBill(
  { lines, resources }: Pick<BillReading, 'lines' | 'resources'>,
  month: YearMonth,
  timeZone: string,
): PlanFromBill {
  const { others, ...found } = planOfBill(lines, resources, month, timeZone)
  return {
    ...found,
    others: [...new Set(others.map(({ resourceName, resourceId }) => resourceName || resourceId))].filter(
      Boolean,
    ),
    savings: scheduleSaving(found.plan, found.books, month),
  }
}
