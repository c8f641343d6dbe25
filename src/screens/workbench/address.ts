import { parseYearMonth, type YearMonth } from '../../core/calendar/yearMonth.ts'

export const VIEWS = ['gauge', 'week'] as const
export type View = (typeof VIEWS)[number]

/** What the address bar holds: enough to open the same screen again. */
export interface Address {
  readonly machine: string | undefined
  readonly view: View
  readonly month: YearMonth | undefined
}

/** Reads a query; whatever it cannot be is left out. */
export function readAddress(query: URLSearchParams): Address {
  const machine = query.get('machine') ?? undefined
  return {
    machine: machine !== undefined && machine.length <= 60 ? machine : undefined,
    view: VIEWS.find((view) => view === query.get('view')) ?? 'gauge',
    month: parseYearMonth(query.get('month') ?? ''),
  }
}

export function writeAddress({ machine, view, month }: Address): string {
  const query = new URLSearchParams()
  if (machine !== undefined) query.set('machine', machine)
  query.set('view', view)
  if (month !== undefined) query.set('month', month)
  return `/?${query.toString()}`
}
