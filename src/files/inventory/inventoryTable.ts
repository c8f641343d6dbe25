import Papa from 'papaparse'
import { MOST_MACHINES } from '../../core/machine/plan.ts'
import { headingRow } from '../../core/table/headingRow.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { csvCell } from '../reading/csvText.ts'
import type { FileIssue } from '../reading/fileIssue.ts'

export const SEPARATORS = [',', ';', '\t', '|'] as const
export type Separator = (typeof SEPARATORS)[number]

export const ENCODINGS = ['utf-8', 'windows-1252', 'utf-16le', 'utf-16be'] as const
export type Encoding = (typeof ENCODINGS)[number]

const MOST_COLUMNS = 100
const LONGEST_CELL = 1_000

/** A table as its file has it: the first line names the columns. */
export interface InventoryTable {
  readonly columns: readonly string[]
  /** As many cells as there are columns. */
  readonly rows: readonly (readonly string[])[]
}

const issue = (problem: string, expected: string): FileIssue => ({
  code: 'bad-value',
  pointer: '',
  problem,
  expected,
})

/** The text of a file in the encoding that the person says it has. */
export function decodeTable(bytes: Uint8Array, encoding: Encoding): Outcome<string, FileIssue> {
  try {
    const text = new TextDecoder(encoding, { fatal: true }).decode(bytes)
    // Text of another encoding that happens to decode is full of what no table holds.
    if (text.includes('\u0000')) {
      return refuse(issue(`The file is not text in ${encoding}.`, 'another encoding, or a CSV file.'))
    }
    return accept(text.replace(/^\uFEFF/, ''))
  } catch {
    return refuse(
      issue(
        `The file is not text in ${encoding}.`,
        'the encoding in which it was saved; or save it as UTF-8.',
      ),
    )
  }
}

/**
 * Reads CSV (RFC 4180) with a separator that the person chose. Nothing is read past the most machines that a plan
 * holds, so that a file of any length is answered at once. O(rows read).
 */
export function parseTable(text: string, separator: Separator): Outcome<InventoryTable, FileIssue> {
  const { data, errors } = Papa.parse<string[]>(text, {
    delimiter: separator,
    skipEmptyLines: 'greedy',
    preview: MOST_MACHINES + 2,
  })
  const quotes = errors.find(({ type }) => type === 'Quotes')
  if (quotes) {
    return refuse(
      issue(
        `A quotation mark is not closed, from line ${(quotes.row ?? 0) + 1} on.`,
        'pairs of quotation marks, doubled inside a cell.',
      ),
    )
  }
  // A line by which spreadsheets tell each other the separator.
  if (/^sep=.?$/i.test(data[0]?.join('').trim() ?? '')) data.shift()
  const [head, ...rows] = data.slice(headingRow(data))
  if (!head || rows.length === 0)
    return refuse(issue('The table has no rows.', 'a line of column names, and rows.'))
  if (rows.length > MOST_MACHINES) {
    return refuse(
      issue(
        `The table has more than ${MOST_MACHINES} rows.`,
        `at most ${MOST_MACHINES}: split it into several plans.`,
      ),
    )
  }
  if (head.length > MOST_COLUMNS) {
    return refuse(
      issue(`The table has ${head.length} columns.`, `at most ${MOST_COLUMNS}, or another separator.`),
    )
  }
  const cell = (value: string | undefined): string => csvCell((value ?? '').trim()).slice(0, LONGEST_CELL)
  return accept({
    columns: head.map((name, i) => cell(name) || `column ${i + 1}`),
    rows: rows.map((row) => head.map((_, i) => cell(row[i]))),
  })
}
