import Papa from 'papaparse'

/**
 * Rows as CSV (RFC 4180). Cells that a spreadsheet would take for a formula begin with an apostrophe, which reading
 * them back takes away: see `csvCell`.
 */
export const csvText = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(rows.map(guarded), { newline: '\r\n' })}\r\n`

/** A formula, and what would be taken for one that is guarded already. */
const NEEDS_GUARD = /^'*[=+\-@\t\r]/

const guarded = (cells: readonly string[]): string[] =>
  cells.map((cell) => (NEEDS_GUARD.test(cell) ? `'${cell}` : cell))

/** A cell as it was before it was guarded; others are as they are. */
export const csvCell = (text: string): string =>
  text.startsWith("'") && NEEDS_GUARD.test(text.slice(1)) ? text.slice(1) : text
