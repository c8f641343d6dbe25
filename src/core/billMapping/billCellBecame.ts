import type { BillField } from './billMapping.ts'
import { MAPPED_COLUMNS } from './mappedRows.ts'

type Column = (typeof MAPPED_COLUMNS)[number]

/** Where what a field says is found in a mapped row. */
const COLUMNS: { readonly [Field in BillField]?: Column } = {
  start: 'ChargePeriodStart',
  end: 'ChargePeriodEnd',
  quantity: 'PricingQuantity',
  unit: 'PricingUnit',
  unitPrice: 'ListUnitPrice',
  cost: 'EffectiveCost',
}
const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/
/** Plain, or with an exponent of a size that money has. */
const FIGURE = /^-?\d*\.?\d+(e[+-]?\d{1,2})?$/i

export const mappedCell = (row: readonly string[], column: Column): string =>
  row[MAPPED_COLUMNS.indexOf(column)] ?? ''

/** What a cell of a bill became, where that is not what is written; `fault` where it could not be read. */
export interface BillCell {
  readonly became?: string
  readonly fault?: 'no-date' | 'no-number'
}

/** `row` is the cell's row as `mappedRows` makes it. Times are in UTC: `2027-03-01 00:00`. */
export function billCellBecame(field: BillField, cell: string, row: readonly string[]): BillCell {
  const column = COLUMNS[field]
  const became = column === undefined ? '' : mappedCell(row, column)
  if (became === '' || cell.trim() === '') return {}
  if (field === 'unit') return became === cell.trim() ? {} : { became }
  const isTime = field === 'start' || field === 'end'
  if (!(isTime ? INSTANT : FIGURE).test(became)) return { fault: isTime ? 'no-date' : 'no-number' }
  const told = isTime ? became.replace('T', ' ').replace(/(:00)?Z$/, '') : became
  return told === cell.trim() ? {} : { became: told }
}
