import Papa from 'papaparse'

export interface CsvOptions {
  /** A mark at the beginning by which spreadsheets know UTF-8. */
  readonly byteOrderMark?: boolean | undefined
}

/**
 * Rows as CSV (RFC 4180). Every cell but plain numbers is quoted, so that programs which guess the separator are not
 * led astray by what stands in one. Cells that a spreadsheet would take for a formula begin with an apostrophe, which
 * reading them back takes away: see `csvCell`. A number below zero is none.
 */
export const csvText = (
  rows: readonly (readonly string[])[],
  { byteOrderMark = false }: CsvOptions = {},
): string =>
  `${byteOrderMark ? '\uFEFF' : ''}${Papa.unparse(rows.map(guarded), { newline: '\r\n', quotes: isQuoted })}\r\n`

const PLAIN_NUMBER = /^-?\d+(\.\d+)?$/

const isQuoted = (cell: unknown): boolean => cell !== '' && !PLAIN_NUMBER.test(String(cell))

/** A formula, and what would be taken for one that is guarded already. */
const NEEDS_GUARD = /^'*[=+\-@\t\r]/

const guarded = (cells: readonly string[]): string[] =>
  cells.map((cell) => (NEEDS_GUARD.test(cell) && !PLAIN_NUMBER.test(cell) ? `'${cell}` : cell))

/** A cell as it was before it was guarded; others are as they are. */
export const csvCell = (text: string): string =>
  text.startsWith("'") && NEEDS_GUARD.test(text.slice(1)) ? text.slice(1) : text
