import { wordsIn } from '../quantity/wordsIn.ts'
import { readAmount } from './amount.ts'
import { currencyIn } from './currencyText.ts'
import { decimalMarkOf, markEvidence, type MarkEvidence, type MarkOfColumn } from './decimalMark.ts'
import { LONGEST_CELL, readFigure, type DecimalMark } from './readFigure.ts'

const FROM = /^\W*(from|ab|about|ca\.?|dès|desde|vanaf)?\W*/iu

/** Whether no more stands before a price than a word such as from and a currency: a name with a number in it is no figure. */
function isMoneyLead(lead: string): boolean {
  const said = lead.replace(FROM, '').trim()
  return !/\p{L}/u.test(said) || (said.length <= 6 && currencyIn(said) !== undefined)
}

/** `512M` is of memory, and no millions. */
const SHORT_ROOM = /^\d+(?:[.,]\d+)?\s?[MG]i?$/

/** What the cells of a column have in common, as far as a sample shows. */
export interface ColumnTraits {
  readonly column: string
  /** The words of its heading, in small letters. */
  readonly words: readonly string[]
  /** Cells that are not empty. */
  readonly filled: readonly string[]
  readonly distinct: readonly string[]
  /** Shares of the filled cells, 0 to 1. */
  readonly numbers: number
  /** Of those with a letter in them. */
  readonly letters: number
  readonly wholes: number
  readonly largest: number
  readonly median: number
  /** Which mark parts decimals in it. */
  readonly mark: MarkOfColumn
}

/** How the figures of a whole table are written. */
export interface TableMarks {
  readonly evidence: MarkEvidence
  /** Where no figure tells. */
  readonly otherwise: DecimalMark | undefined
}

/** Of all cells of a table. O(cells). */
export function tableMarks(
  rows: readonly (readonly string[])[],
  otherwise: DecimalMark | undefined,
): TableMarks {
  return { evidence: markEvidence(rows.flat()), otherwise }
}

/** O(cells). */
export function columnTraits(
  column: string,
  cells: readonly string[],
  marks: TableMarks,
  heading = column,
): ColumnTraits {
  const filled = cells.map((cell) => cell.trim()).filter((cell) => cell !== '' && !/^[-–—]$/.test(cell))
  const mark = decimalMarkOf(markEvidence(filled), marks.evidence, marks.otherwise)
  const figures = filled.flatMap((cell) => {
    if (cell.length > LONGEST_CELL || !isMoneyLead(cell.slice(0, Math.max(0, cell.search(/\d/))))) return []
    const read = SHORT_ROOM.test(cell) ? readFigure(cell, mark.mark) : readAmount(cell, mark.mark)
    return read.ok ? [Number(read.value.text)] : []
  })
  const sorted = [...figures].sort((a, b) => a - b)
  const share = (count: number): number => (filled.length === 0 ? 0 : count / filled.length)
  return {
    column,
    words: wordsIn(heading),
    filled,
    distinct: [...new Set(filled)],
    numbers: share(figures.length),
    letters: share(filled.filter((cell) => /\p{L}/u.test(cell)).length),
    wholes: share(figures.filter((figure) => Number.isInteger(figure)).length),
    largest: sorted.at(-1) ?? 0,
    median: sorted[Math.floor(sorted.length / 2)] ?? 0,
    mark,
  }
}
