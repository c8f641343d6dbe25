import { wordsIn } from '../quantity/wordsIn.ts'
import { readFigure, type DecimalMark } from './readFigure.ts'

/** What may stand before a price: a word such as from, a sign or a code of a currency. */
const MONEY_LEAD =
  /^\W*(from|ab|about|ca\.?|dès)?\W*([a-z]{0,3}[$€£₹¥]|usd|eur|gbp|inr|cad|chf|jpy|aud|sek|pln)?\W*$/iu

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
}

/** O(cells). */
export function columnTraits(
  column: string,
  cells: readonly string[],
  mark: DecimalMark | undefined,
  heading = column,
): ColumnTraits {
  const filled = cells.map((cell) => cell.trim()).filter((cell) => cell !== '' && !/^[-–—]$/.test(cell))
  const figures = filled.flatMap((cell) => {
    // A name with a number in it is no figure.
    if (!MONEY_LEAD.test(cell.slice(0, Math.max(0, cell.search(/\d/))))) return []
    const read = readFigure(cell, mark)
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
  }
}
