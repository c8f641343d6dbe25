import { marksOf, readFigure, type DecimalMark } from './readFigure.ts'

/** How the figures of some cells can be read. */
export interface MarkEvidence {
  /** Cells that can be read by a point, or a comma, alone. */
  readonly points: number
  readonly commas: number
  /** Cells that can be read by either, with two results. */
  readonly open: number
}

/** O(characters). */
export function markEvidence(cells: readonly string[]): MarkEvidence {
  const found = { points: 0, commas: 0, open: 0 }
  for (const cell of cells) {
    const mark = marksOf(cell)
    if (mark === '.') found.points += 1
    else if (mark === ',') found.commas += 1
    else if (mark === 'either') found.open += 1
  }
  return found
}

export interface MarkOfColumn {
  readonly mark: DecimalMark
  /** Whether a cell of the column itself says so, or none could be read in two ways. */
  readonly isSure: boolean
}

/**
 * Which mark parts decimals in a column: by its own figures that can be read in one way; where they do not tell, by those of
 * the file, and then by what `otherwise` says, which is a guess.
 */
export function decimalMarkOf(
  column: MarkEvidence,
  file: MarkEvidence,
  otherwise: DecimalMark = '.',
): MarkOfColumn {
  const own = markSaid(column)
  if (own) return { mark: own, isSure: column.open === 0 || Math.min(column.points, column.commas) === 0 }
  return { mark: markSaid(file) ?? otherwise, isSure: column.open === 0 }
}

/** Undefined where nothing tells, or both are told as often. */
const markSaid = ({ points, commas }: MarkEvidence): DecimalMark | undefined =>
  points === commas ? undefined : points > commas ? '.' : ','

/**
 * Cells of one column in which each figure can be read in one way: where others of them tell the mark, what could be read in
 * two is written plainly. O(characters).
 */
export function decidedCells(cells: readonly string[]): readonly string[] {
  const evidence = markEvidence(cells)
  const mark = markSaid(evidence)
  if (!mark || evidence.open === 0) return cells
  return cells.map((cell) => {
    const read = marksOf(cell) === 'either' ? readFigure(cell, mark) : undefined
    return read?.ok ? read.value.text : cell
  })
}

/** The mark of the languages whose words stand in headings; undefined where they are of none that has one of its own. */
export const markOfLanguage = (headings: readonly string[]): DecimalMark | undefined =>
  headings.some((heading) => COMMA_WORDS.test(heading)) ? ',' : undefined

/** Words of German, French, Spanish, Dutch, Italian and Portuguese lists. */
const COMMA_WORDS =
  /(preis|stunde|monat|standort|kerne|speicher|rechner|gr(ö|oe)(ß|ss)e|\bprix\b|heure|mois\b|m(é|e)moire|\blieu\b|precio|\bhora\b|\bmes\b|memoria|ubicaci|m(á|a)quina|\bprijs\b|\buur\b|maand|geheugen|locatie|\bplaats\b|prezzo|pre(ç|c)o)/i
