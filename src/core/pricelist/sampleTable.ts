import type { TableRows } from './joinedRows.ts'
import type { ListUnits, RowMeaning } from './listMapping.ts'
import type { DecimalMark } from '../table/readFigure.ts'

/** The beginning of a table, from which a mapping is proposed. */
export interface SampleTable extends TableRows {
  readonly mark?: DecimalMark
  /** What stands above its headings. */
  readonly about?: string
  /** See `ListHeader`. */
  readonly levels?: readonly (readonly [string, string])[]
}

/** What the rows of one table, or some of them, seem to be. */
export interface ProposedRows {
  readonly meaning: RowMeaning
  readonly units: ListUnits
  readonly currency?: { readonly code: string; readonly isSure: boolean }
}
