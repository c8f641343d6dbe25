import { partnerColumn, type TableJoin } from './listMapping.ts'

/** A table of a list as far as it was read. */
export interface TableRows {
  readonly name: string
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

/** Rows of a partner by their key, made to be looked up. */
export interface Partner {
  readonly join: TableJoin
  /** Which of a row's cells is looked up; before the partners of later joins their own cells count on. */
  readonly at: number
  readonly byKey: ReadonlyMap<string, readonly string[]>
  /** The partner's columns that follow the row, without its key. */
  readonly kept: readonly number[]
}

/** A table's columns with those of its partners, and what is needed to find these. */
export interface Joined {
  readonly columns: readonly string[]
  /** What each column is called where it comes from. */
  readonly headings: readonly string[]
  readonly partners: readonly Partner[]
  /** Keys that stand more than once in a partner: the first of them counts. */
  readonly repeated: readonly string[]
}

/** Joins whose column or key is not there find nothing. O(rows of the partners). */
export function joinTables(
  table: Pick<TableRows, 'name' | 'columns'>,
  joins: readonly TableJoin[],
  tables: ReadonlyMap<string, TableRows>,
): Joined {
  const columns = [...table.columns]
  const headings = [...table.columns]
  const partners: Partner[] = []
  const repeated: string[] = []
  for (const join of joins.filter((each) => each.table === table.name)) {
    const partner = tables.get(join.with)
    if (!partner) continue
    const key = partner.columns.indexOf(join.key)
    const kept = partner.columns.map((_, i) => i).filter((i) => i !== key)
    const byKey = new Map<string, readonly string[]>()
    for (const row of partner.rows) {
      const text = (row[key] ?? '').trim()
      if (text === '') continue
      if (byKey.has(text)) repeated.push(text)
      else byKey.set(text, row)
    }
    partners.push({ join, at: columns.indexOf(join.column), byKey, kept })
    for (const i of kept) {
      columns.push(partnerColumn(join.with, partner.columns[i]!))
      headings.push(partner.columns[i]!)
    }
  }
  return { columns, headings, partners, repeated }
}

/** A row with its partners' cells after its own; `lacking` is the text that found no partner. O(cells). */
export function joinRow(
  row: readonly string[],
  width: number,
  partners: readonly Partner[],
): { readonly cells: readonly string[]; readonly lacking?: string; readonly lackingAt?: number } {
  if (partners.length === 0) return { cells: row }
  const cells = Array.from({ length: width }, (_, i) => row[i] ?? '')
  let lacking: string | undefined
  let lackingAt: number | undefined
  partners.forEach(({ at, byKey, kept }, i) => {
    const text = (cells[at] ?? '').trim()
    const partner = byKey.get(text)
    if (!partner && lacking === undefined) [lacking, lackingAt] = [text, i]
    for (const each of kept) cells.push(partner?.[each] ?? '')
  })
  return { cells, ...(lacking !== undefined && { lacking, lackingAt: lackingAt! }) }
}
