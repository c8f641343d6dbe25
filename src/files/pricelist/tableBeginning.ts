import { SectionReader } from '../../core/table/sections.ts'
import { tableHeader } from '../../core/table/tableHeader.ts'
import type { SampleTable } from '../../core/pricelist/sampleTable.ts'
import { UnreadableList, type ListTable } from './listTable.ts'

type Rows = readonly (readonly string[])[]

/** A table whose first rows are read, and whose headings are known. */
export interface TableBeginning extends SampleTable {
  /** Rows above the first with data. */
  readonly above: number
  readonly isCostly: boolean
  /** What follows the first rows. */
  readonly rest: AsyncGenerator<Rows>
}

/** Rows by which a mapping is proposed. */
const ROWS_LOOKED_AT = 2_000
const MOST_COLUMNS = 1_000

/** Undefined where the table has no rows under its headings, or one column: nothing that could be a list. */
export async function beginningOf(table: ListTable): Promise<TableBeginning> {
  const { name, rows, mark } = table
  const head: (readonly string[])[] = []
  while (head.length < ROWS_LOOKED_AT) {
    const { done, value } = await rows.next()
    if (done) break
    for (const cells of value) head.push(cells)
  }
  const header = table.columns
    ? { rows: 0, columns: table.columns, levels: [], about: '' }
    : tableHeader(head)
  const { columns, levels, about } = header
  if (columns.length > MOST_COLUMNS) {
    throw new UnreadableList(`${name} has ${columns.length} columns. Expected: at most ${MOST_COLUMNS}.`)
  }
  const body = head.slice(header.rows)
  const sections = SectionReader.of(columns, body, head[header.rows - 2])
  return {
    name,
    columns: sections ? [...columns, sections.heading] : columns,
    levels,
    about,
    ...(mark && { mark }),
    isCostly: table.isCostly ?? false,
    rows: sections ? body.map((row) => sections.row(row)) : body,
    above: header.rows,
    rest: sections ? inSections(rows, sections) : rows,
  }
}

async function* inSections(rows: AsyncGenerator<Rows>, sections: SectionReader): AsyncGenerator<Rows> {
  for await (const batch of rows) yield batch.map((row) => sections.row(row))
}

const MOST_PARTNERS = 300_000

/** A table read to its end, so that others can look rows up in it. */
export async function readWhole(table: TableBeginning): Promise<TableBeginning> {
  const rows = [...table.rows]
  for await (const batch of table.rest) {
    for (const cells of batch) rows.push(cells)
    if (rows.length > MOST_PARTNERS) {
      throw new UnreadableList(
        `${table.name} has more than ${MOST_PARTNERS} rows. Expected: at most that many in a table that others look up.`,
      )
    }
  }
  return { ...table, rows, rest: nothing() }
}

async function* nothing(): AsyncGenerator<Rows> {
  // Everything was read.
}
