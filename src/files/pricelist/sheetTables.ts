import readSheets from 'read-excel-file/universal'
import { onlyBatch, UnreadableList, type ListTable } from './listTable.ts'

const MOST_SHEETS = 40
const MOST_CELLS = 4_000_000

/** The sheets of a spreadsheet that hold something, with what their cells show; formulas with what they last came to. */
export async function sheetTables(name: string, file: Blob): Promise<ListTable[]> {
  const sheets = await sheetsOf(name, file)
  if (sheets.length > MOST_SHEETS) {
    throw new UnreadableList(`${name} has ${sheets.length} sheets. Expected: at most ${MOST_SHEETS}.`)
  }
  const cells = sheets.reduce((sum, { data }) => sum + data.reduce((all, row) => all + row.length, 0), 0)
  if (cells > MOST_CELLS) {
    throw new UnreadableList(
      `${name} has ${cells} cells. Expected: at most ${MOST_CELLS}; as CSV it may have more.`,
    )
  }
  return sheets.flatMap(({ sheet, data }) => {
    const rows = data.map((row) => row.map(cellText))
    return rows.some((row) => row.some((cell) => cell !== ''))
      ? [{ name: sheet, rows: onlyBatch(rows), mark: '.' as const }]
      : []
  })
}

async function sheetsOf(name: string, file: Blob) {
  try {
    return await readSheets(await file.arrayBuffer())
  } catch {
    throw new UnreadableList(
      `${name} cannot be read as a spreadsheet: it may be damaged or locked by a password.`,
    )
  }
}

/** Figures as decimal text: 1e-7 is 0.0000001. */
function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return ''
  if (cell instanceof Date) return cell.toISOString().slice(0, 10)
  // A spreadsheet shows fifteen digits of a number; what is beyond them came of its arithmetic.
  if (typeof cell === 'number') {
    const shown = Number(cell.toPrecision(15))
    return /e/.test(String(shown)) ? shown.toFixed(18).replace(/\.?0+$/, '') : String(shown)
  }
  return typeof cell === 'string' ? cell.trim() : String(cell as boolean)
}
