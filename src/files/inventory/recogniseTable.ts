import Papa from 'papaparse'
import { decimalMarkOf, markEvidence } from '../../core/table/decimalMark.ts'
import type { NumberForm } from './inventoryNumber.ts'
import { SEPARATORS, type Encoding, type Separator } from './inventoryTable.ts'

/** How a table seems to be written; for the person to correct. */
export interface TableHabits extends NumberForm {
  readonly separator: Separator
  readonly encoding: Encoding
}

/** How much of a file is looked at. */
const BYTES_LOOKED_AT = 256 * 1024
const ROWS_LOOKED_AT = 60

/** By what its bytes, lines and figures have in common. O(1): only the beginning is looked at. */
export function recogniseTable(bytes: Uint8Array): TableHabits {
  const start = bytes.subarray(0, BYTES_LOOKED_AT)
  const encoding = encodingOf(start)
  const text = new TextDecoder(encoding).decode(start).replace(/^\uFEFF/, '')
  const { separator, rows } = separated(text)
  return { encoding, separator, decimal: decimalOf(rows, separator), unit: unitOf(rows) }
}

/** By the byte-order mark; else UTF-16 by its zeros, UTF-8 where the bytes are that, and Windows-1252 for the rest. */
function encodingOf(start: Uint8Array): Encoding {
  if (start[0] === 0xff && start[1] === 0xfe) return 'utf-16le'
  if (start[0] === 0xfe && start[1] === 0xff) return 'utf-16be'
  const zeros = [0, 0]
  start.subarray(0, 1_000).forEach((byte, i) => {
    if (byte === 0) zeros[i % 2]! += 1
  })
  const many = Math.min(1_000, start.length) / 5
  if (zeros[1]! > many) return 'utf-16le'
  if (zeros[0]! > many) return 'utf-16be'
  try {
    // A letter may be cut in two at the end of what is looked at.
    new TextDecoder('utf-8', { fatal: true }).decode(start, { stream: true })
    return 'utf-8'
  } catch {
    return 'windows-1252'
  }
}

/** The separator that parts most lines into as many columns as the first has. */
function separated(text: string): { separator: Separator; rows: string[][] } {
  const named = SEPARATORS.find((each) => new RegExp(`^sep=\\${each}\\s`, 'i').test(text))
  const tried = SEPARATORS.map((separator) => {
    const { data } = Papa.parse<string[]>(text, {
      delimiter: separator,
      skipEmptyLines: 'greedy',
      preview: ROWS_LOOKED_AT,
    })
    const columns = data[0]?.length ?? 1
    const alike = data.filter((row) => row.length === columns).length / Math.max(1, data.length)
    return {
      separator,
      rows: data,
      score: named === separator ? Infinity : columns > 1 ? alike * 1_000 + columns : 0,
    }
  })
  return tried.reduce((best, each) => (each.score > best.score ? each : best))
}

/** Programs that part columns by semicolons do so where the comma is in figures. */
function decimalOf(rows: readonly (readonly string[])[], separator: Separator): NumberForm['decimal'] {
  const evidence = markEvidence(rows.slice(1).flat())
  return decimalMarkOf(evidence, evidence, separator === ';' ? ',' : '.').mark
}

function unitOf(rows: readonly (readonly string[])[]): NumberForm['unit'] {
  const text = rows.flat().join(' ')
  return /\bGB\b|\(GB\)|_gb\b/i.test(text) && !/GiB/i.test(text) ? 'GB' : 'GiB'
}
