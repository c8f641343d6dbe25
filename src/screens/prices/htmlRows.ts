/** Wider or longer spans than any table has are faults, or meant to be. */
const MOST_SPAN = 200
const MOST_ROWS = 100_000

/**
 * The largest table of a piece of HTML as rows of text; a cell over several rows or columns stands in each of them.
 * Nothing of it is run or fetched: the text is read out of a document of its own.
 */
export function htmlRows(html: string): string[][] {
  const page = new DOMParser().parseFromString(html, 'text/html')
  // A raised figure behind a price is a mark of a footnote, and no digit of it.
  for (const raised of page.querySelectorAll('sup')) raised.textContent = ` [${raised.textContent ?? ''}]`
  const tables = [...page.querySelectorAll('table')]
  const all = tables.map(rowsOf)
  return all.reduce((best, each) => (cellCount(each) > cellCount(best) ? each : best), [])
}

const cellCount = (rows: readonly (readonly string[])[]): number =>
  rows.reduce((sum, row) => sum + row.length, 0)

function rowsOf(table: HTMLTableElement): string[][] {
  const rows: string[][] = []
  for (const [at, line] of [...table.rows].slice(0, MOST_ROWS).entries()) {
    const own = (rows[at] ??= [])
    let column = 0
    for (const cell of line.cells) {
      while (own[column] !== undefined) column += 1
      const text = (cell.textContent ?? '').replace(/\s+/g, ' ').trim()
      const width = Math.min(MOST_SPAN, Math.max(1, cell.colSpan))
      const height = Math.min(MOST_SPAN, Math.max(1, cell.rowSpan))
      for (let down = 0; down < height && at + down < table.rows.length; down++) {
        const below = (rows[at + down] ??= [])
        for (let across = 0; across < width; across++) below[column + across] = text
      }
      column += width
    }
  }
  return rows.map((row) => Array.from(row, (cell: string | undefined) => cell ?? ''))
}
