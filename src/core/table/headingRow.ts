/** Rows in which headings are looked for. */
const MOST_ABOVE = 40
/** Of the cells that the fullest row has. */
const NEARLY_ALL = 0.8

/** The first row with about as many cells filled as any has: titles stand above it. 0 where there are none. */
export function headingRow(rows: readonly (readonly string[])[]): number {
  const filled = rows
    .slice(0, MOST_ABOVE)
    .map((row) => row.reduce((count, cell) => count + Number(cell.trim() !== ''), 0))
  const most = Math.max(0, ...filled)
  return Math.max(
    0,
    filled.findIndex((count) => count >= most * NEARLY_ALL),
  )
}
