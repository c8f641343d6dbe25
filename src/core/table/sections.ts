type Row = readonly string[]

/** `Region: Porto` is Porto, and its rows are those of a region. */
const LABEL = /^(\p{L}[\p{L} ]{1,24}):\s+(?=\S)/u
const LONGEST = 120

const filledAt = (row: Row): number[] => row.flatMap((cell, i) => (cell.trim() === '' ? [] : [i]))

/** The text of a row that has one cell and no figure in it: a title over the rows below it. */
function titleOf(row: Row): string | undefined {
  const filled = filledAt(row)
  const text = (row[filled[0] ?? -1] ?? '').trim()
  return filled.length === 1 && /\p{L}/u.test(text) && text.length <= LONGEST ? text : undefined
}

/**
 * Gives every row of a table that stands in sections, each under a row that names it, the name of its section as one more
 * cell; titles have it too.
 */
export class SectionReader {
  private section = ''

  private constructor(
    private readonly width: number,
    /** What the further column is called. */
    readonly heading: string,
  ) {}

  /**
   * Undefined where the rows stand in no sections: neither does one name the first of them, nor do several. `above` is the row
   * over the headings, which can name the first section as the others are named. O(cells).
   */
  static of(columns: readonly string[], rows: readonly Row[], above: Row = []): SectionReader | undefined {
    const isTitle = rows.map((row) => titleOf(row) !== undefined)
    const begins = isTitle.filter((is, i) => is && filledAt(rows[i + 1] ?? []).length > 1).length
    const others = rows.filter((row, i) => !isTitle[i] && filledAt(row).length > 1).length
    const isNamedAbove = titleOf(above) !== undefined
    const isIn = begins > 0 && others > begins && (isTitle[0] === true || begins > 1 || isNamedAbove)
    if (!isIn) return undefined
    const first = titleOf(rows[isTitle.indexOf(true)]!) ?? ''
    const label = LABEL.exec(first)?.[1] ?? 'section'
    const reader = new SectionReader(columns.length, freeHeading(label, columns))
    reader.row(above)
    return reader
  }

  row(row: Row): Row {
    const title = titleOf(row)
    if (title !== undefined) this.section = title.replace(LABEL, '')
    if (filledAt(row).length === 0) return row
    return [...Array.from({ length: this.width }, (_, i) => row[i] ?? ''), this.section]
  }
}

function freeHeading(label: string, columns: readonly string[]): string {
  const taken = new Set(columns)
  for (let count = 1; ; count += 1) {
    const name = count === 1 ? label : `${label} (${count})`
    if (!taken.has(name)) return name
  }
}
