import {
  partnerColumn,
  type FieldSource,
  type ListField,
  type ListMapping,
  type RowMeaning,
} from './listMapping.ts'

interface TableColumns {
  readonly name: string
  readonly columns: readonly string[]
}

/** A kept mapping with the names of this list's tables, or what of it the list lacks. */
export type FittedMapping =
  | { readonly ok: true; readonly mapping: ListMapping }
  /** Columns that no table has, each with the table that was to have it, where there are several. */
  | { readonly ok: false; readonly lacking: readonly { readonly table?: string; readonly column: string }[] }

/** Stands for the only table of a list that has one. */
const ONLY = ''

/**
 * Tables of a kept mapping are found by their names where these have the columns that it reads, else by the columns
 * alone: files are called otherwise each month. O(tables² × columns).
 */
export function fitMapping(mapping: ListMapping, tables: readonly TableColumns[]): FittedMapping {
  const needs = columnsRead(mapping)
  const names = new Map<string, string>()
  const left = new Set(tables)
  for (const [name, columns] of needs) {
    const has = (table: TableColumns): boolean => columns.every((column) => table.columns.includes(column))
    const fitting = [...left].filter(has)
    const found = fitting.find((table) => table.name === name) ?? fitting[0]
    if (!found) {
      const lacking = [...left].map((table) => columns.filter((column) => !table.columns.includes(column)))
      const [least = columns] = lacking.sort((a, b) => a.length - b.length)
      return {
        ok: false,
        lacking: least.map((column) => ({ column, ...(name !== ONLY && { table: name }) })),
      }
    }
    left.delete(found)
    names.set(name, found.name)
  }
  return { ok: true, mapping: renamed(mapping, names) }
}

/** What is read of each table of a mapping, with what its joins look up. */
function columnsRead(mapping: ListMapping): ReadonlyMap<string, readonly string[]> {
  const needs = new Map<string, Set<string>>()
  const joins = mapping.joins ?? []
  const need = (table: string, column: string): void => {
    const partner = joins.find(
      (join) => join.table === table && column.startsWith(partnerColumn(join.with, '')),
    )
    if (partner) return need(partner.with, column.slice(partnerColumn(partner.with, '').length))
    const known = needs.get(table)
    if (known) known.add(column)
    else needs.set(table, new Set([column]))
  }
  for (const { tables = [ONLY], only, fields, prices = [] } of mapping.rows) {
    for (const table of tables) {
      for (const { column } of [...only, ...prices]) need(table, column)
      for (const source of Object.values(fields)) if (source?.from === 'column') need(table, source.column)
    }
  }
  for (const join of joins) {
    need(join.table, join.column)
    need(join.with, join.key)
  }
  return new Map([...needs].map(([table, columns]) => [table, [...columns]]))
}

function renamed(mapping: ListMapping, names: ReadonlyMap<string, string>): ListMapping {
  const nameOf = (table: string): string => names.get(table) ?? table
  if ([...names].every(([table, name]) => table === name || table === ONLY)) return mapping
  const column = (tables: readonly string[], text: string): string => {
    const join = mapping.joins?.find(
      (each) => tables.includes(each.table) && text.startsWith(partnerColumn(each.with, '')),
    )
    return join ? partnerColumn(nameOf(join.with), text.slice(partnerColumn(join.with, '').length)) : text
  }
  return {
    ...mapping,
    rows: mapping.rows.map((meaning): RowMeaning => {
      const { tables = [] } = meaning
      const at = (text: string): string => column(tables, text)
      return {
        ...meaning,
        ...(meaning.tables && { tables: tables.map(nameOf) }),
        only: meaning.only.map((filter) => ({ ...filter, column: at(filter.column) })),
        ...(meaning.prices && {
          prices: meaning.prices.map((price) => ({ ...price, column: at(price.column) })),
        }),
        ...(meaning.written && {
          written: meaning.written.map((each) => ({ ...each, column: at(each.column) })),
        }),
        fields: Object.fromEntries(
          (Object.entries(meaning.fields) as [ListField, FieldSource][]).map(([field, source]) => [
            field,
            source.from === 'column' ? { ...source, column: at(source.column) } : source,
          ]),
        ),
      }
    }),
    ...(mapping.joins && {
      joins: mapping.joins.map((join) => ({
        ...join,
        table: nameOf(join.table),
        with: nameOf(join.with),
        column: column([join.table], join.column),
      })),
    }),
  }
}
