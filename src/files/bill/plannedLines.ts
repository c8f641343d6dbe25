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
  const byZone = new Map<string, BillRows>()
  for (const machine of priced) {
    const { billingZone } = machine.resolved.index.book
    const rows =
      byZone.get(billingZone) ?? new BillRows(found.header, FOCUS_COLUMNS.length, 'plan', billingZone)
    byZone.set(billingZone, rows)
    for (const row of focusRows(machine, 'day')) rows.add(FOCUS_COLUMNS.map((column) => row[column] ?? ''))
  }
  return [...byZone.values()].flatMap(({ reduction }) => reduction.lines())
}
