import { Parser } from 'htmlparser2'
import { onlyBatch, UnreadableList, type ListTable } from './listTable.ts'

const MOST_CELLS = 4_000_000
const MOST_SHEETS = 40

/**
 * The sheets of an OpenDocument spreadsheet that hold something, out of its `content.xml`: values as they are stored, other
 * cells as they read (OpenDocument 1.2, part 1, section 9). Cells and rows that repeat are counted before they are made;
 * empty ones to the end of a row or a sheet are not made. O(document + cells).
 */
export function odsTables(name: string, content: string): ListTable[] {
  const tooMany = (what: string): UnreadableList =>
    new UnreadableList(`${name} has more than ${what}. Expected: a part of it, or CSV.`)
  const sheets: { name: string; rows: string[][] }[] = []
  let [cells, times, rowTimes] = [0, 1, 1]
  // Empty ones before the next that is not.
  let [emptyCells, emptyRows] = [0, 0]
  const push = <Value>(into: Value[], values: number, value: Value): void => {
    for (let i = 0; i < values; i += 1) into.push(value)
  }
  const count = (more: number): void => {
    cells += more
    if (cells > MOST_CELLS) throw tooMany(`${MOST_CELLS} cells`)
  }
  let row: string[] | undefined
  let cell: { value: string | undefined; text: string } | undefined
  const repeated = (text = '1'): number => (/^[1-9]\d{0,8}$/.test(text) ? Number(text) : 1)
  const parser = new Parser(
    {
      onopentag(tag, attributes) {
        if (tag === 'table:table') {
          if (sheets.length >= MOST_SHEETS)
            throw new UnreadableList(
              `${name} has more than ${MOST_SHEETS} sheets. Expected: at most that many.`,
            )
          sheets.push({ name: attributes['table:name'] ?? '', rows: [] })
          emptyRows = 0
        } else if (tag === 'table:table-row') {
          row = []
          emptyCells = 0
          rowTimes = repeated(attributes['table:number-rows-repeated'])
        } else if (tag === 'table:table-cell' || tag === 'table:covered-table-cell') {
          times = repeated(attributes['table:number-columns-repeated'])
          const date = attributes['office:date-value']?.slice(0, 10)
          cell = { value: date ?? attributes['office:value'], text: '' }
        } else if (tag === 'text:p' && cell && cell.text !== '') cell.text += ' '
      },
      ontext(text) {
        if (cell) cell.text += text
      },
      onclosetag(tag) {
        if ((tag === 'table:table-cell' || tag === 'table:covered-table-cell') && row && cell) {
          const text = cell.value ?? cell.text.trim()
          if (text === '') emptyCells += times
          else {
            count(emptyCells + times)
            push(row, emptyCells, '')
            push(row, times, text)
            emptyCells = 0
          }
          cell = undefined
        } else if (tag === 'table:table-row' && row) {
          const rows = sheets.at(-1)?.rows
          if (row.length === 0) emptyRows += rowTimes
          else if (rows) {
            count(emptyRows + row.length * (rowTimes - 1))
            push(rows, emptyRows, [])
            push(rows, rowTimes, row)
            emptyRows = 0
          }
          row = undefined
        }
      },
    },
    { xmlMode: true },
  )
  parser.write(content)
  parser.end()
  return sheets
    .filter(({ rows }) => rows.some(({ length }) => length > 0))
    .map((sheet) => ({ name: sheet.name, rows: onlyBatch(sheet.rows), mark: '.' as const }))
}
