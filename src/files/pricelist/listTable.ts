import type { DecimalMark } from '../../core/table/readFigure.ts'

type Rows = readonly (readonly string[])[]

/** One table of a list: a file, a sheet, a collection of a JSON document. */
export interface ListTable {
  readonly name: string
  /** Rows in batches, as in the file; where `columns` are known they follow without headings. Read once. */
  readonly rows: AsyncGenerator<Rows>
  readonly columns?: readonly string[]
  /** Which mark parts decimals, as far as the text shows. */
  readonly mark?: DecimalMark
  /** Each reading is one of the whole file: it is read on only where its rows are used. */
  readonly isCostly?: boolean
}

export async function* onlyBatch(rows: Rows): AsyncGenerator<Rows> {
  yield await Promise.resolve(rows)
}

/** Says what of a list cannot be read, in words for its reader. */
export class UnreadableList extends Error {}
