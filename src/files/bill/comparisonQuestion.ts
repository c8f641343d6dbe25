import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { Ties } from '../../core/reconcile/tieLines.ts'

export interface ComparisonQuestion {
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  readonly ties?: Ties
}
