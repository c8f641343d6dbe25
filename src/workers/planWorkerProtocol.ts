import type { MonthReading } from '../core/calendar/billingMonth.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import type { MachineSummary } from '../core/meter/summarisePlan.ts'

/** All that passes between the page and the worker that prices whole plans. Plain data only. */
export type PlanAsk =
  | { readonly kind: 'books'; readonly books: readonly PriceBook[] }
  | {
      readonly kind: 'price'
      readonly askId: number
      readonly plan: Plan
      readonly month: YearMonth
      readonly reading: MonthReading
    }

export interface PlanAnswer {
  readonly askId: number
  readonly summaries: readonly MachineSummary[]
}
