type Row = readonly string[]

/** `Region: Porto` is Porto. */
const LABEL = /^\p{L}[\p{L} ]{1,24}:\s+(?=\S)/u

const filledAt = (row: Row): number[] => row.flatMap((cell, i) => (cell.trim() === '' ? [] : [i]))

/** The text of a row that has one cell and no figure in it: a title over the rows below it. */
function sectionOf(row: Row): string | undefined {
  const filled = filledAt(row)
  const text = (row[filled[0] ?? -1] ?? '').trim()
  return filled.length === 1 && /\p{L}/u.test(text) && text.length <= 120 ? text : undefined
}

/** Whether rows stand in sections, each under a row that names it: the first row does, or several do. O(cells). */
export function hasSections(rows: readonly Row[]): boolean {
  const isSection = rows.map((row) => sectionOf(row) !== undefined)
  const begins = isSection.filter((is, i) => is && filledAt(rows[i + 1] ?? []).length > 1).length
  const others = rows.filter((row, i) => !isSection[i] && filledAt(row).length > 1).length
  return begins > 0 && others > begins && (isSection[0] === true || begins > 1)
}

/** Gives every row the name of its section as one more cell, which titles have too. */
export class SectionReader {
  private section = ''

  constructor(private readonly width: number) {}

  row(row: Row): Row {
    const title = sectionOf(row)
    if (title !== undefined) this.section = title.replace(LABEL, '')
    if (filledAt(row).length === 0) return row
    return [...Array.from({ length: this.width }, (_, i) => row[i] ?? ''), this.section]
  }
}
