import type { MonthReading } from '../calendar/billingMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing, type PricedMachine } from '../meter/planPricing.ts'
import { OFFICE_WEEK } from './resolved.ts'
import { SMALL_MACHINE } from './smallBook.ts'

/** Small machines, each changed in part and named in order, priced together in March 2027; throws where one is not. */
export function pricedTogether(
  parts: readonly Partial<Machine>[],
  book: PriceBook,
  {
    weeks = [OFFICE_WEEK] as readonly WeekPlan[],
    month = '2027-03' as YearMonth,
    reading = 'calendar' as MonthReading,
  } = {},
): PricedMachine[] {
  const machines = parts.map((part, i) => ({ ...SMALL_MACHINE, name: `machine-${i}`, ...part }))
  const pricing = new PlanPricing({ plan: { machines, weeks }, books: [book], month, reading })
  return machines.map((machine) => {
    const result = pricing.of(machine)
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    return result
  })
}
