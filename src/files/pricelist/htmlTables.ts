import { Parser } from 'htmlparser2'

/** Wider or longer spans than any table has are faults, or meant to be. */
const MOST_SPAN = 200
const MOST_ROWS = 100_000
const MOST_TABLES = 40
const UNSEEN: ReadonlySet<string> = new Set(['script', 'style', 'template', 'noscript'])
const HEADINGS: ReadonlySet<string> = new Set(['h1', 'h2', 'h3', 'h4', 'caption'])

interface Cell {
  text: string
  readonly width: number
  readonly height: number
}

interface OpenTable {
  name: string
  readonly lines: Cell[][]
  cell: Cell | undefined
}

/**
 * The tables of a page as rows of text, called by their caption or by the heading above; a cell over several rows or
 * columns stands in each of them. Only text is read: nothing of it is run or fetched. O(page).
 */
export function htmlTables(html: string): { readonly name: string; readonly rows: string[][] }[] {
  const done: OpenTable[] = []
  const open: OpenTable[] = []
  let unseen = 0
  let heading: string | undefined
  let lastHeading = ''
  const parser = new Parser({
    onopentag(tag, attributes) {
      const table = open.at(-1)
      if (UNSEEN.has(tag)) unseen += 1
      else if (HEADINGS.has(tag)) heading = ''
      else if (tag === 'table') open.push({ name: lastHeading, lines: [], cell: undefined })
      else if (tag === 'tr' && table && table.lines.length < MOST_ROWS) table.lines.push([])
      else if ((tag === 'td' || tag === 'th') && table?.lines.length) {
        table.cell = { text: '', width: spanOf(attributes.colspan), height: spanOf(attributes.rowspan) }
        table.lines.at(-1)!.push(table.cell)
      } else if (tag === 'br' && table?.cell) table.cell.text += ' '
      // A raised figure behind a price is a mark of a footnote, and no digit of it.
      else if (tag === 'sup' && table?.cell) table.cell.text += ' ['
    },
    ontext(text) {
      if (unseen > 0) return
      if (heading !== undefined) heading += text
      const cell = open.at(-1)?.cell
      if (cell) cell.text += text
    },
    onclosetag(tag) {
      const table = open.at(-1)
      if (UNSEEN.has(tag)) unseen = Math.max(0, unseen - 1)
      else if (HEADINGS.has(tag)) {
        if (tag === 'caption' && table) table.name = plain(heading ?? '')
        else lastHeading = plain(heading ?? '')
        heading = undefined
      } else if (tag === 'sup' && table?.cell) table.cell.text += ']'
      else if ((tag === 'td' || tag === 'th') && table) table.cell = undefined
      else if (tag === 'table' && table) done.push(open.pop()!)
    },
  })
  parser.write(html)
  parser.end()
  return [...done, ...open]
    .map(({ name, lines }, i) => ({ name: name === '' ? `table ${i + 1}` : name, rows: spread(lines) }))
    .filter(({ rows }) => rows.length > 1 && rows.some((row) => row.length > 1))
    .slice(0, MOST_TABLES)
}

const plain = (text: string): string => text.replace(/\s+/g, ' ').trim()

const spanOf = (text: string | undefined): number =>
  Math.min(MOST_SPAN, Math.max(1, Number.parseInt(text ?? '', 10) || 1))

function spread(lines: readonly (readonly Cell[])[]): string[][] {
  const rows: string[][] = lines.map(() => [])
  lines.forEach((line, at) => {
    const own = rows[at]!
    let column = 0
    for (const { text, width, height } of line) {
      while (own[column] !== undefined) column += 1
      for (const below of rows.slice(at, at + height)) {
        for (let across = 0; across < width; across++) below[column + across] = plain(text)
      }
      column += width
    }
  })
  return rows.map((row) => Array.from(row, (cell: string | undefined) => cell ?? ''))
}
