import type { MonthReading } from '../core/calendar/billingMonth.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { PlanPricing } from '../core/meter/planPricing.ts'
import { estimateCsv } from './estimate/estimateCsv.ts'
import { estimateReport } from './estimate/estimateReport.ts'
import { focusCsv } from './focus/focusCsv.ts'
import { writePlan } from './plan/planFile.ts'
import { writePriceBook } from './priceBook/priceBookFile.ts'

/** What can be written as a file of its own. */
export type Export =
  | { readonly what: 'plan'; readonly plan: Plan }
  | { readonly what: 'book'; readonly book: PriceBook }
  | {
      readonly what: 'estimate'
      readonly as: 'csv' | 'csv-with-mark' | 'json' | 'focus'
      readonly plan: Plan
      readonly books: readonly PriceBook[]
      readonly month: YearMonth
      readonly reading: MonthReading
    }

/** The text of a file. */
export function writeExport(asked: Export): string {
  switch (asked.what) {
    case 'plan':
      return writePlan(asked.plan)
    case 'book':
      return writePriceBook(asked.book)
    case 'estimate': {
      const { plan, month, reading } = asked
      const pricing = new PlanPricing(asked)
      const results = plan.machines.map((machine) => ({ machine, result: pricing.of(machine) }))
      if (asked.as === 'focus') {
        // A bill has the hours that there are, however the month is read on the screen.
        const billed = new PlanPricing({ ...asked, reading: 'calendar' })
        const priced = plan.machines.map((machine) => billed.of(machine))
        return focusCsv(
          priced.filter((result) => result.ok),
          'day',
        )
      }
      const report = estimateReport(plan, results, month, reading)
      return asked.as === 'json'
        ? `${JSON.stringify(report, null, 2)}\n`
        : estimateCsv(report, { byteOrderMark: asked.as === 'csv-with-mark' })
    }
  }
}
