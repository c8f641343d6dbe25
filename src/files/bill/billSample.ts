import type { BillMapping } from '../../core/billMapping/billMapping.ts'
import {
  proposeBillMapping,
  type BillSample,
  type ProposedBillMapping,
} from '../../core/billMapping/proposeBillMapping.ts'
import { headingRow } from '../../core/table/headingRow.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { UnreadableList } from '../pricelist/listTable.ts'
import { readDelimited } from '../pricelist/readDelimited.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { billParts, type BillFile } from './billParts.ts'
import { habitsOf } from './readBill.ts'

export interface SampledBill extends BillSample {
  /** Of each row, counted from 1 as in the file. */
  readonly numbers: readonly number[]
  readonly name: string
  readonly proposed: BillMapping
  readonly unsure: ProposedBillMapping['unsure']
}

const MOST_ROWS = 2_000

/** The beginning of a bill that does not follow FOCUS, and what its columns are likely to mean. */
export async function billSample(
  files: readonly BillFile[],
  provider: string,
): Promise<Outcome<SampledBill, FileIssue>> {
  const [file] = files
  try {
    const [part] = file ? await billParts(file) : []
    if (!part) return refuse(nothing('There is no file.'))
    const table: string[][] = []
    const numbers: number[] = []
    let count = 0
    const batches = part.rows?.() ?? readDelimited(part.open(), await habitsOf(part))
    for await (const batch of batches) {
      for (const row of batch) {
        count += 1
        if (row.every((cell) => cell.trim() === '')) continue
        table.push(row)
        numbers.push(count)
      }
      if (table.length > MOST_ROWS) break
    }
    const at = headingRow(table)
    const headings = (table[at] ?? []).map((cell) => cell.replace(/^\uFEFF/, '').trim())
    const rows = table.slice(at + 1, MOST_ROWS)
    if (headings.length < 3 || rows.length === 0)
      return refuse(nothing(`${part.name} has no rows under headings.`))
    const { mapping, unsure } = proposeBillMapping({ headings, rows }, provider)
    return accept({
      name: part.name,
      headings,
      rows,
      numbers: numbers.slice(at + 1, MOST_ROWS),
      proposed: mapping,
      unsure,
    })
  } catch (error) {
    if (error instanceof UnreadableList) return refuse(nothing(error.message))
    throw error
  }
}

const nothing = (problem: string): FileIssue => ({
  code: 'bad-value',
  pointer: '',
  problem,
  expected: 'a bill as a table with headings.',
})
