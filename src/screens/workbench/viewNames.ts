import type { MachineView } from './address.ts'

/** What the views of a machine are called. */
export const VIEW_NAMES = {
  gauge: 'Gauge',
  week: 'Week',
  month: 'Month',
  terms: 'Terms',
  access: 'Access',
  variants: 'Side by side',
  ledger: 'Ledger',
  book: 'Book',
} as const satisfies Record<MachineView, string>
