import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { PlanPricing } from '../core/meter/planPricing.ts'
import { keptBills, type ReadBills } from '../files/bill/keptBill.ts'
import { billOfRows } from '../files/bill/billOfRows.ts'
import { zonesOf } from '../files/bill/zonesOf.ts'
import type { Mishap, MishapRates } from './mishap.ts'
import { readyToRehearse, rehearse } from './rehearse.ts'
import { rehearsedRows } from './rehearsedBill.ts'

export interface RehearsalQuestion {
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  readonly rates: MishapRates
  readonly seed: number
}

export interface RehearsedMonth extends ReadBills {
  readonly mishaps: readonly Mishap[]
}

/** Lets a plan’s month happen on practice providers and reads their bill as any bill. Machines without a price stay out. */
export function rehearseBill({ plan, books, month, rates, seed }: RehearsalQuestion): RehearsedMonth {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const rehearsal = rehearse(readyToRehearse(priced), rates, seed)
  const rows = rehearsedRows(rehearsal, 'day')
  const zones = zonesOf(priced.map(({ resolved }) => resolved.index.book))
  const read = billOfRows(rows, zones)
  const count = rows.length
  const bills = keptBills({
    ...read,
    files: [{ name: 'practice provider', rows: count, isRepeated: false }],
    rows: count,
    used: count,
    leftOut: [],
    troubles: [],
  })
  const { mishaps } = rehearsal
  return { ...bills, head: { ...bills.head, happened: mishaps }, mishaps }
}
