import { strToU8, zipSync } from 'fflate'

export type SheetCells = (string | number | null)[][]

interface Sheet {
  readonly name: string
  readonly cells: SheetCells
  /** Ranges such as `A2:C2`. */
  readonly merges?: readonly string[]
}

const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006'
const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'

const escape = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;')

const column = (i: number): string =>
  (i < 26 ? '' : String.fromCharCode(64 + Math.floor(i / 26))) + String.fromCharCode(65 + (i % 26))

function sheetXml({ cells, merges = [] }: Sheet): string {
  const rows = cells.map((row, r) => {
    const own = row.flatMap((cell, c) => {
      const at = `${column(c)}${r + 1}`
      if (cell === null) return []
      return typeof cell === 'number'
        ? [`<c r="${at}"><v>${cell}</v></c>`]
        : [`<c r="${at}" t="inlineStr"><is><t>${escape(cell)}</t></is></c>`]
    })
    return `<row r="${r + 1}">${own.join('')}</row>`
  })
  const merged =
    merges.length === 0
      ? ''
      : `<mergeCells count="${merges.length}">${merges.map((ref) => `<mergeCell ref="${ref}"/>`).join('')}</mergeCells>`
  return `${HEAD}<worksheet xmlns="${MAIN}"><sheetData>${rows.join('')}</sheetData>${merged}</worksheet>`
}

/** A spreadsheet in Office Open XML (ECMA-376) of plain cells; the same for the same sheets. */
export function workbook(sheets: readonly Sheet[]): Uint8Array<ArrayBuffer> {
  const list = sheets.map(
    ({ name }, i) => `<sheet name="${escape(name)}" sheetId="${i + 1}" r:id="rId${i + 1}"/>`,
  )
  const relations = sheets.map(
    (_, i) =>
      `<Relationship Id="rId${i + 1}" Type="${OFFICE}/worksheet" Target="worksheets/sheet${i + 1}.xml"/>`,
  )
  const types = sheets.map(
    (_, i) =>
      `<Override PartName="/xl/worksheets/sheet${i + 1}.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>`,
  )
  const files: Record<string, string> = {
    '[Content_Types].xml': `${HEAD}<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/>${types.join('')}</Types>`,
    '_rels/.rels': `${HEAD}<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `${HEAD}<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets>${list.join('')}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `${HEAD}<Relationships xmlns="${PACKAGE}/relationships">${relations.join('')}</Relationships>`,
    ...Object.fromEntries(sheets.map((sheet, i) => [`xl/worksheets/sheet${i + 1}.xml`, sheetXml(sheet)])),
  }
  const mtime = new Date('2027-03-01T12:00:00')
  return zipSync(
    Object.fromEntries(
      Object.entries(files).map(([name, text]) => [name, [strToU8(text), { mtime }] as const]),
    ) as never,
  ) as Uint8Array<ArrayBuffer>
}
