import { joinTables, joinRow, type TableRows } from './joinedRows.ts'
import type { TableJoin } from './listMapping.ts'

/** So many of the texts have to be found. */
const ENOUGH = 0.6
const MOST_COLUMNS = 60

/**
 * Tables without prices of their own are what others look up: for each a column of a table with prices whose texts stand
 * in a column of theirs that has every text once. Partners of partners are found through what was joined first.
 * O(tables² × columns²) look-ups of texts.
 */
export function proposeJoins(
  tables: readonly TableRows[],
  hasPrices: (table: TableRows) => boolean,
): TableJoin[] {
  const byName = new Map(tables.map((table) => [table.name, table]))
  const partners = tables.filter((table) => !hasPrices(table))
  const joins: TableJoin[] = []
  for (const table of tables) {
    if (!hasPrices(table)) continue
    const own: TableJoin[] = []
    const left = new Set(partners)
    for (let found = true; found;) {
      found = false
      const { columns, partners: joined } = joinTables(table, own, byName)
      const rows = table.rows.map((row) => joinRow(row, table.columns.length, joined).cells)
      for (const partner of left) {
        const match = bestMatch({ name: table.name, columns, rows }, partner)
        if (!match) continue
        own.push({ table: table.name, column: match.column, with: partner.name, key: match.key })
        left.delete(partner)
        found = true
        break
      }
    }
    joins.push(...own)
  }
  return joins
}

function bestMatch(table: TableRows, partner: TableRows) {
  const keys = partner.columns.slice(0, MOST_COLUMNS).flatMap((key, i) => {
    const texts = partner.rows.map((row) => (row[i] ?? '').trim()).filter((text) => text !== '')
    const distinct = new Set(texts)
    return distinct.size >= 2 && distinct.size === texts.length && !isFigures(texts)
      ? [{ key, distinct }]
      : []
  })
  let best: { readonly column: string; readonly key: string; readonly share: number } | undefined
  table.columns.slice(0, MOST_COLUMNS).forEach((column, i) => {
    const texts = new Set(table.rows.map((row) => (row[i] ?? '').trim()).filter((text) => text !== ''))
    if (texts.size === 0 || isFigures([...texts])) return
    for (const { key, distinct } of keys) {
      const share = [...texts].filter((text) => distinct.has(text)).length / texts.size
      if (share >= ENOUGH && share > (best?.share ?? 0)) best = { column, key, share }
    }
  })
  return best
}

/** Small numbers are in every table, and say nothing of what belongs together. */
const isFigures = (texts: readonly string[]): boolean => texts.every((text) => /^[\d.,\s]{1,6}$/.test(text))
