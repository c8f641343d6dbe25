import { compileMapping } from '../../core/pricelist/compileMapping.ts'
import { bookOfList } from '../../core/pricelist/bookOfList.ts'
import { ListCollector } from '../../core/pricelist/ListCollector.ts'
import { oddPrices, proofs } from '../../core/pricelist/listChecks.ts'
import { columnsLacking } from '../../core/pricelist/priceRecipe.ts'
import { listHeader } from '../../core/pricelist/listHeader.ts'
import { proposeMapping } from '../../core/pricelist/proposeMapping.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { recogniseTable } from '../inventory/recogniseTable.ts'
import { parsePriceBook } from '../priceBook/priceBookFile.ts'
import { bookToFile } from '../priceBook/priceBookDocument.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import type { ListQuestion, ListReading, ListSource, SampleRow } from './listAnswer.ts'
import { jsonRows, ndjsonRows } from './jsonRows.ts'
import { readDelimited } from './readDelimited.ts'

/** Rows by which a mapping is proposed, and those that are shown. */
const ROWS_LOOKED_AT = 2_000
const ROWS_SHOWN = 60
const BYTES_LOOKED_AT = 256 * 1024
const MOST_COLUMNS = 1_000
const MOST_VALUES = 40
const MOST_JSON = 64 * 1024 * 1024
const PICTURE_SIZES = 700
const PICTURE_PLACES = 60

const GZIP = [0x1f, 0x8b]

/** Reads a list once, from its beginning to its end, as its mapping says, or as is proposed. Steps are rows read. */
export async function* readList(
  question: ListQuestion,
): AsyncGenerator<number, Outcome<ListReading, FileIssue>> {
  const { source, from } = question
  const batches = await rowsOf(source)
  const { head, rest } = await firstRows(batches.rows)
  const header = listHeader(head)
  const { columns } = header
  if (head.length === 0) return refuse(problem('The list has no rows.', 'a table with headings and prices.'))
  if (columns.length > MOST_COLUMNS) {
    return refuse(problem(`The list has ${columns.length} columns.`, `at most ${MOST_COLUMNS}.`))
  }
  if (columns.length < 2) {
    return refuse(
      problem('The list has one column only.', 'columns parted by a comma, semicolon, tab or bar.'),
    )
  }
  const body = head.slice(header.rows)
  const recipe = question.mapping
    ? undefined
    : question.recipes?.find((each) => columnsLacking(each, columns).length === 0)
  const { provider, manner } = recipe ?? question
  const given = question.mapping ? { mapping: question.mapping, assumed: question.assumed } : recipe
  const proposed = given
    ? { mapping: given.mapping, unsure: given.assumed ?? [] }
    : proposeMapping(columns, body, batches.mark)
  const read = compileMapping(proposed.mapping, columns)
  const found = new ListCollector()
  const sample: SampleRow[] = []
  const values = new Map(columns.map((column) => [column, new Set<string>()]))
  let row = header.rows
  let every = 1
  const take = (cells: readonly string[]): void => {
    row += 1
    const said = read(cells, row)
    found.add(row, said)
    if ((row - header.rows - 1) % every === 0) {
      sample.push({
        row,
        cells: columns.map((_, i) => (cells[i] ?? '').slice(0, 80)),
        isUsed: said.entries.length > 0,
      })
      // Half of what is shown goes where it has become too much: what stays is spread over the whole list.
      if (sample.length >= ROWS_SHOWN * 2) {
        every *= 2
        sample.splice(0, sample.length, ...sample.filter((_, i) => i % 2 === 0))
      }
    }
    columns.forEach((column, i) => {
      const texts = values.get(column)!
      if (texts.size <= MOST_VALUES) texts.add((cells[i] ?? '').trim().slice(0, 80))
    })
  }
  for (const cells of body) take(cells)
  for await (const batch of rest) {
    for (const cells of batch) take(cells)
    yield found.rows
  }
  const bookHead = { ...provider, currency: proposed.mapping.currency, from }
  const book = found.sizes.size === 0 ? undefined : bookOfList(found, bookHead, manner, proposed.unsure)
  const checked = book && parsePriceBook(bookToFile(book))
  return accept({
    columns,
    sample: sample.slice(0, ROWS_SHOWN),
    mapping: proposed.mapping,
    unsure: proposed.unsure,
    provider,
    manner,
    isByRecipe: recipe !== undefined,
    values: [...values].flatMap(([column, texts]) =>
      texts.size <= MOST_VALUES ? [[column, [...texts]] as const] : [],
    ),
    rows: found.rows,
    used: found.used,
    leftOut: found.leftOut(),
    contradictions: found.contradictions,
    odd: oddPrices(found),
    duplicates: found.duplicates,
    beyond: found.beyond,
    ...pictureOf(found),
    proofs: proofs(found),
    ...(book && checked?.ok && { book }),
    issues: checked && !checked.ok ? checked.issues : [],
  })
}

interface RowsOf {
  readonly rows: AsyncGenerator<readonly (readonly string[])[]>
  readonly mark?: '.' | ','
}

async function rowsOf(source: ListSource): Promise<RowsOf> {
  if (source.kind === 'rows') return { rows: onlyBatch(source.rows) }
  return fileRows(source.file)
}

async function fileRows(file: Blob): Promise<RowsOf> {
  const magic = new Uint8Array(await file.slice(0, 2).arrayBuffer())
  const isGzip = GZIP.every((byte, i) => magic[i] === byte)
  const open = (): ReadableStream<Uint8Array> =>
    isGzip
      ? (file.stream() as ReadableStream).pipeThrough(new DecompressionStream('gzip') as never)
      : (file.stream() as ReadableStream<Uint8Array>)
  const start = await beginningOf(open())
  if (isJson(start)) return { rows: onlyBatch(await jsonListRows(open())), mark: '.' }
  const { encoding, separator, decimal } = recogniseTable(start)
  return { rows: readDelimited(open(), { encoding, separator }), mark: decimal }
}

const isJson = (start: Uint8Array): boolean =>
  /^\uFEFF?\s*[[{]/.test(new TextDecoder().decode(start.subarray(0, 1_000)))

async function* onlyBatch(
  rows: readonly (readonly string[])[],
): AsyncGenerator<readonly (readonly string[])[]> {
  yield await Promise.resolve(rows)
}

/** JSON as a whole, or a value on each line. */
async function jsonListRows(stream: ReadableStream<Uint8Array>): Promise<string[][]> {
  const text = await textOf(stream)
  const lines = text.trimEnd().split('\n', 2)
  try {
    if (lines.length < 2 || !isValue(lines[0]!)) return jsonRows(JSON.parse(text))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    throw new Error('The file begins like JSON and is none: it may be cut off.')
  }
  return ndjsonRows(text)
}

function isValue(line: string): boolean {
  try {
    JSON.parse(line)
    return true
  } catch {
    return false
  }
}

async function textOf(stream: ReadableStream<Uint8Array>): Promise<string> {
  const reader = stream.getReader()
  const decoder = new TextDecoder()
  let text = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return (text + decoder.decode()).replace(/^\uFEFF/, '')
    text += decoder.decode(value, { stream: true })
    if (text.length > MOST_JSON) {
      await reader.cancel().catch(() => undefined)
      throw new Error(
        `A list in JSON may have ${MOST_JSON / 1024 / 1024} MiB; as CSV it may be of any length.`,
      )
    }
  }
}

/** The first bytes of a stream, which is left there. */
async function beginningOf(stream: ReadableStream<Uint8Array>): Promise<Uint8Array> {
  const reader = stream.getReader()
  const pieces: Uint8Array[] = []
  let length = 0
  while (length < BYTES_LOOKED_AT) {
    const { done, value } = await reader.read()
    if (done) break
    pieces.push(value)
    length += value.length
  }
  await reader.cancel().catch(() => undefined)
  const all = new Uint8Array(length)
  let at = 0
  for (const piece of pieces) {
    all.set(piece, at)
    at += piece.length
  }
  return all.subarray(0, BYTES_LOOKED_AT)
}

/** Enough rows to propose by, and those that follow. */
async function firstRows(rows: AsyncGenerator<readonly (readonly string[])[]>) {
  const head: (readonly string[])[] = []
  while (head.length < ROWS_LOOKED_AT) {
    const { done, value } = await rows.next()
    if (done) break
    for (const cells of value) head.push(cells)
  }
  return { head, rest: rows }
}

/** A line for each place, a letter for each size: sold or not. */
function pictureOf({ sizes, places }: ListCollector): Pick<ListReading, 'picture' | 'prices'> {
  const all = [...sizes.values()]
  const shown = all.slice(0, PICTURE_SIZES)
  return {
    picture: [...places]
      .slice(0, PICTURE_PLACES)
      .map((place) => shown.map(({ prices }) => (prices.has(place) ? 'x' : '.')).join('')),
    prices: all.reduce((sum, { prices }) => sum + prices.size, 0),
  }
}

const problem = (text: string, expected: string): FileIssue => ({
  code: 'bad-value',
  pointer: '',
  problem: text,
  expected,
})
