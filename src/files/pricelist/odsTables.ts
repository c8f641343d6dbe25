import { Parser } from 'htmlparser2'
import { onlyBatch, UnreadableList, type ListTable } from './listTable.ts'

/** Repeated cells and rows beyond these are empty ones to a sheet's end. */
const MOST_REPEATED = 1_000
const MOST_CELLS = 4_000_000
const MOST_SHEETS = 40

/**
 * The sheets of an OpenDocument spreadsheet that hold something, out of its `content.xml`: values as they are stored, other
 * cells as they read (OpenDocument 1.2, part 1, section 9). O(document).
 */
export function odsTables(name: string, content: string): ListTable[] {
  const sheets: { name: string; rows: string[][] }[] = []
  let [cells, times, rowTimes] = [0, 1, 1]
  let row: string[] | undefined
  let cell: { value: string | undefined; text: string } | undefined
  const repeated = (text: string | undefined): number =>
    Math.min(MOST_REPEATED, Math.max(1, Number(text ?? '1') || 1))
  const parser = new Parser(
    {
      onopentag(tag, attributes) {
        if (tag === 'table:table') {
          if (sheets.length >= MOST_SHEETS)
            throw new UnreadableList(
              `${name} has more than ${MOST_SHEETS} sheets. Expected: at most that many.`,
            )
          sheets.push({ name: attributes['table:name'] ?? '', rows: [] })
        } else if (tag === 'table:table-row') {
          row = []
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
          cells += times
          if (cells > MOST_CELLS)
            throw new UnreadableList(
              `${name} has more than ${MOST_CELLS} cells. Expected: a part of it, or CSV.`,
            )
          for (let i = 0; i < times; i += 1) row.push(text)
          cell = undefined
        } else if (tag === 'table:table-row' && row) {
          while (row.at(-1) === '') row.pop()
          const own = row
          const count = own.length === 0 ? 1 : rowTimes
          for (let i = 0; i < count; i += 1) sheets.at(-1)?.rows.push(own)
          row = undefined
        } else if (tag === 'table:table') {
          const rows = sheets.at(-1)?.rows
          while (rows?.at(-1)?.length === 0) rows.pop()
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
