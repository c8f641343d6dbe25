import type { BillLine, BillResource } from '../../core/bill/billLine.ts'
import { FOCUS_COLUMNS, type FocusRow } from '../focus/focusColumns.ts'
import { billHeader } from './billColumns.ts'
import { BillRows, type BillZones } from './BillRows.ts'

/** What a bill says, once it is read. */
export interface RowsOfBill {
  readonly lines: readonly BillLine[]
  readonly resources: readonly BillResource[]
}

/** Rows that need not be written and read as text, read as those of a file are. */
export function billOfRows(rows: Iterable<FocusRow>, zones: BillZones): RowsOfBill {
  const found = billHeader(FOCUS_COLUMNS)
  if ('issues' in found) throw new RangeError(found.issues[0]!.problem)
  const read = new BillRows(found.header, FOCUS_COLUMNS.length, 'rows', zones)
  for (const row of rows) read.add(FOCUS_COLUMNS.map((column) => row[column] ?? ''))
  return { lines: read.reduction.takeLines(), resources: read.resources.list() }
}
