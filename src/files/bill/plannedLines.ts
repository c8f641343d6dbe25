import type { BillLine } from '../../core/bill/billLine.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { FOCUS_COLUMNS } from '../focus/focusColumns.ts'
import { focusRows } from '../focus/focusRows.ts'
import { billHeader } from './billColumns.ts'
import { BillRows } from './BillRows.ts'

/** A planned month as a bill would have it, by days of the provider’s zone: what is compared is read in the same way. */
export function plannedLines(priced: readonly PricedMachine[]): BillLine[] {
  const found = billHeader(FOCUS_COLUMNS)
  if ('issues' in found) throw new RangeError(found.issues[0]!.problem)
  const byProvider = new Map(
    priced.map(({ resolved: { index } }) => [index.book.provider.name.toLowerCase(), index.book.billingZone]),
  )
  const rows = new BillRows(found.header, FOCUS_COLUMNS.length, 'plan', { timeZone: 'Etc/UTC', byProvider })
  for (const machine of priced) {
    for (const row of focusRows(machine, 'day')) rows.add(FOCUS_COLUMNS.map((column) => row[column] ?? ''))
  }
  return rows.reduction.lines()
}
