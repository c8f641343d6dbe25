import type { FitReason } from '../../core/fit/fitReason.ts'
import type { RangeFilter } from '../../core/notches/listColumn.ts'

/** How a list is looked at. */
export interface ListState {
  readonly sort: string
  readonly descending: boolean
  readonly ranges: readonly RangeFilter[]
  readonly showsClosed: boolean
  readonly query: string
  /** Keys of rows that are to be compared. */
  readonly marked: ReadonlySet<string>
  readonly compares: boolean
  /** Only those that are closed by this reason. */
  readonly closedBy?: FitReason['code'] | undefined
}

/** From the cheapest, with all that does not fit. */
export const START: ListState = {
  sort: 'month',
  descending: false,
  ranges: [],
  showsClosed: true,
  query: '',
  marked: new Set(),
  compares: false,
}

/** More than these cannot be read side by side. */
export const MOST_MARKED = 6
