import type { Notch } from './plate.ts'
import { compare, type Exact } from '../quantity/exact.ts'

/** A figure, money, or words; nothing where a row has none. */
export type CellValue = number | string | Exact | undefined

/** One column of the list behind a plate: what it holds, and whether more of it is a figure to filter by. */
export interface ListColumn {
  readonly id: string
  readonly kind: 'number' | 'money' | 'text'
  readonly valueOf: (notch: Notch) => CellValue
}

export interface RangeFilter {
  readonly column: string
  readonly least?: number | undefined
  readonly most?: number | undefined
}

export interface ListView {
  /** Id of the column to sort by. */
  readonly sort: string
  readonly descending: boolean
  readonly ranges: readonly RangeFilter[]
  readonly showsClosed: boolean
  /** Which notches pass the words that were typed; all where nothing was. */
  readonly passes?: ((notch: Notch) => boolean) | undefined
}

const isExact = (value: CellValue): value is Exact => typeof value === 'object'

/** Rows without a value come last, whichever way the others go. */
function compareValues(a: CellValue, b: CellValue): number {
  if (isExact(a) && isExact(b)) return compare(a, b)
  if (typeof a === 'number' && typeof b === 'number') return a - b
  return String(a).localeCompare(String(b))
}

const asNumber = (value: CellValue): number | undefined =>
  isExact(value) ? Number(value.n) / Number(value.d) : typeof value === 'number' ? value : undefined

function inRange(value: CellValue, { least, most }: RangeFilter): boolean {
  const number = asNumber(value)
  if (number === undefined) return false
  return (least === undefined || number >= least) && (most === undefined || number <= most)
}

/** Rows in the order and with the filters of a view. Equal ones stay as they stood. O(rows × log rows). */
export function viewRows(
  notches: readonly Notch[],
  columns: readonly ListColumn[],
  { sort, descending, ranges, showsClosed, passes }: ListView,
): Notch[] {
  const byId = new Map(columns.map((column) => [column.id, column]))
  const limits = ranges.flatMap((range) => {
    const column = byId.get(range.column)
    const asks = range.least !== undefined || range.most !== undefined
    return column && asks ? [{ column, range }] : []
  })
  const rows = notches.filter(
    (notch) =>
      (showsClosed || notch.isPresent || (notch.reasons.length === 0 && notch.total !== undefined)) &&
      (!passes || passes(notch)) &&
      limits.every(({ column, range }) => inRange(column.valueOf(notch), range)),
  )
  const column = byId.get(sort)
  if (!column) return rows
  const keyed = rows.map((notch) => ({ notch, value: column.valueOf(notch) }))
  keyed.sort((a, b) => {
    if (a.value === undefined || b.value === undefined) {
      return Number(a.value === undefined) - Number(b.value === undefined)
    }
    const order = compareValues(a.value, b.value)
    return descending ? -order : order
  })
  return keyed.map(({ notch }) => notch)
}
