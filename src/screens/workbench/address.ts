import { MONTH_READINGS, type MonthReading } from '../../core/calendar/billingMonth.ts'
import { parseYearMonth, type YearMonth } from '../../core/calendar/yearMonth.ts'

export const VIEWS = ['gauge', 'week'] as const
export type View = (typeof VIEWS)[number]

/** What the address bar holds: enough to open the same screen again. */
export interface Address {
  readonly machine: string | undefined
  readonly view: View
  readonly month: YearMonth | undefined
  readonly reading: MonthReading
}

/** Reads a query; whatever it cannot be is left out. */
export function readAddress(query: URLSearchParams): Address {
  const machine = query.get('machine') ?? undefined
  return {
    machine: machine !== undefined && machine.length <= 60 ? machine : undefined,
    view: VIEWS.find((view) => view === query.get('view')) ?? 'gauge',
    month: parseYearMonth(query.get('month') ?? ''),
    reading: MONTH_READINGS.find((reading) => reading === query.get('reading')) ?? 'calendar',
  }
}

export function writeAddress({ machine, view, month, reading }: Address): string {
  const query = new URLSearchParams()
  if (machine !== undefined) query.set('machine', machine)
  query.set('view', view)
  if (month !== undefined) query.set('month', month)
  if (reading !== 'calendar') query.set('reading', reading)
  return `/?${query.toString()}`
}
