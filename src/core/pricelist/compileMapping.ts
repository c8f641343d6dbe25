import { CellReader, cleanName, isNothing, RowFault } from './cellReader.ts'
import { entryReader } from './entryReader.ts'
import type { LeftOut, ListEntry } from './listEntry.ts'
import type { ColumnFilter, ListMapping, PriceColumn, RowMeaning } from './listMapping.ts'

/** What a row gave: entries (several where columns are prices), or why there are none. */
interface RowRead {
  readonly entries: readonly ListEntry[]
  readonly leftOut: readonly LeftOut[]
}

export type ReadListRow = (cells: readonly string[], row: number) => RowRead

const FILTERED: RowRead = { entries: [], leftOut: [{ why: 'filtered' }] }
const EMPTY: RowRead = { entries: [], leftOut: [{ why: 'empty' }] }

/** A table of a list, as its rows are read. */
export interface ReadTable {
  readonly name: string
  readonly columns: readonly string[]
}

/**
 * A mapping made ready for rows of a table: look-ups by heading are done once. The first meaning whose filters a row
 * passes reads it. O(fields) a row. Fields whose column is not there read as empty.
 */
export function compileMapping(mapping: ListMapping, table: ReadTable): ReadListRow {
  const at = new Map(table.columns.map((column, i) => [column, i]))
  const meanings = meaningsOf(mapping, table.name).map((meaning) => ({
    passes: passesOf(meaning.only, at),
    read: rowReader(meaning, mapping, table, at),
  }))
  return (cells, row) => {
    if (cells.every((cell) => cell.trim() === '')) return EMPTY
    for (const { passes, read } of meanings) if (passes(cells)) return read(cells, row)
    return FILTERED
  }
}

/** Meanings of the rows of one table. */
export const meaningsOf = ({ rows }: Pick<ListMapping, 'rows'>, table: string): RowMeaning[] =>
  rows.filter(({ tables }) => !tables || tables.includes(table))

type At = ReadonlyMap<string, number>

function passesOf(only: readonly ColumnFilter[], at: At): (cells: readonly string[]) => boolean {
  const filters = only.map(({ column, values }) => ({ i: at.get(column) ?? -1, values: new Set(values) }))
  return (cells) => filters.every(({ i, values }) => values.has((cells[i] ?? '').trim()))
}

const isPaidUpFront = (reader: CellReader, cells: readonly string[]): boolean =>
  reader.has('upFront') && Number(reader.optionalFigure('upFront', cells) ?? '0') > 0

function rowReader(meaning: RowMeaning, mapping: ListMapping, table: ReadTable, at: At): ReadListRow {
  const units = { ...mapping.units, ...meaning.units }
  const reader = new CellReader(meaning, at, units, table.name)
  const entryOf = entryReader(meaning, reader, units, mapping)
  const { price } = meaning.fields
  const columns: readonly PriceColumn[] = meaning.prices ?? [
    { column: price?.from === 'column' ? price.column : '' },
  ]
  const priced = columns.map((each) => ({
    ...each,
    ...(each.place !== undefined && { place: cleanName(each.place) }),
    read: meaning.prices
      ? (cells: readonly string[]) => (cells[at.get(each.column) ?? -1] ?? '').trim()
      : (cells: readonly string[]) => reader.text('price', cells),
  }))
  const isAlone = meaning.tables === undefined
  return (cells, row) => {
    const entries: ListEntry[] = []
    const leftOut: LeftOut[] = []
    for (const column of priced) {
      try {
        const listed = column.read(cells)
        // What is paid whole up front costs nothing an hour.
        const text = isNothing(listed) && isPaidUpFront(reader, cells) ? '0' : listed
        if (isNothing(text)) {
          leftOut.push({ why: 'no-price' })
          continue
        }
        const from = {
          row,
          column: column.column,
          text: text.slice(0, 80),
          ...(!isAlone && { table: table.name }),
        }
        entries.push(entryOf(cells, text, column, from))
      } catch (error) {
        if (!(error instanceof RowFault)) throw error
        leftOut.push(error.leftOut)
      }
    }
    return { entries, leftOut }
  }
}
