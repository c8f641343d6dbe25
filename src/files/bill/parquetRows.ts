import { gunzipSync } from 'fflate'
import { decompress as unzstd } from 'fzstd'
import {
  parquetMetadataAsync,
  parquetRead,
  type FileMetaData,
  type ParquetReadOptions,
  type SchemaElement,
} from 'hyparquet'
import { UnreadableList } from '../pricelist/listTable.ts'
import { isBillColumn } from './billColumns.ts'

/** Rows that are decoded at a time; a group of rows is decoded anew for each. */
const ROWS_AT_A_TIME = 150_000
/** Rows that are made of what was decoded at a time. */
const ROWS_A_BATCH = 5_000
const MOST_COLUMNS = 1_000

/** Beside Snappy, which the reader knows itself. None of them is WebAssembly, which the page’s policy forbids. */
const compressors = {
  GZIP: (input: Uint8Array, length: number): Uint8Array => gunzipSync(input, { out: new Uint8Array(length) }),
  ZSTD: (input: Uint8Array): Uint8Array => unzstd(input),
}

/**
 * Rows of a Parquet file as the cells of a table, its headings first; only columns that a bill is read for are decoded.
 * Decimals keep all their digits, times are ISO 8601, lists and maps JSON. Memory: one group of rows. Throws
 * `UnreadableList` where it is cut off, encrypted or packed otherwise than by Snappy, gzip or Zstandard.
 */
export async function* parquetRows(name: string, file: Blob): AsyncGenerator<string[][]> {
  const buffer = {
    byteLength: file.size,
    slice: (start: number, end?: number) => file.slice(start, end).arrayBuffer(),
  }
  const unreadable = (error: unknown): UnreadableList =>
    new UnreadableList(
      `${name} cannot be read as Parquet (${error instanceof Error ? error.message : 'unknown'}). Expected: a whole file, packed by Snappy, gzip or Zstandard, or the same bill as CSV.`,
    )
  let metadata: FileMetaData
  try {
    metadata = await parquetMetadataAsync(buffer)
  } catch (error) {
    throw unreadable(error)
  }
  const columns = topColumns(metadata)
  if (columns.length > MOST_COLUMNS) {
    throw new UnreadableList(`${name} has ${columns.length} columns. Expected: at most ${MOST_COLUMNS}.`)
  }
  const used = columns.filter((column) => isBillColumn(column.name))
  const placeOf = new Map(used.map((column) => [column.name, columns.indexOf(column)]))
  const scales = new Map(
    used.flatMap((column) => (isDecimal(column) ? [[column.name, column.scale ?? 0]] : [])),
  )
  // Decimals would come as binary numbers, which have 15 digits.
  const exact = { ...metadata, schema: metadata.schema.map(withoutDecimal) }
  yield [columns.map((column) => column.name)]
  let begins = 0
  for (const group of metadata.row_groups) {
    const ends = begins + Number(group.num_rows)
    for (let at = begins; at < ends; at += ROWS_AT_A_TIME) {
      const slice = { from: at, to: Math.min(at + ROWS_AT_A_TIME, ends) }
      let decoded: DecodedColumns
      try {
        decoded = await columnsOf({ file: buffer, metadata: exact, columns: [...placeOf.keys()] }, slice)
      } catch (error) {
        throw unreadable(error)
      }
      for (let from = slice.from; from < slice.to; from += ROWS_A_BATCH) {
        const rows = Array.from({ length: Math.min(ROWS_A_BATCH, slice.to - from) }, () =>
          Array<string>(columns.length).fill(''),
        )
        for (const [column, chunks] of decoded) {
          const [place, scale] = [placeOf.get(column)!, scales.get(column)]
          for (const { rowStart, data } of chunks) {
            const last = Math.min(from + rows.length, rowStart + data.length)
            for (let row = Math.max(from, rowStart); row < last; row += 1) {
              rows[row - from]![place] = cellText(data[row - rowStart], scale)
            }
          }
        }
        yield rows
      }
    }
    begins = ends
  }
}

interface DecodedChunk {
  readonly rowStart: number
  readonly data: ArrayLike<unknown>
}

/** Parts of each column, which may reach beyond the rows that were asked for. */
type DecodedColumns = ReadonlyMap<string, readonly DecodedChunk[]>

/** Column by column: rows of objects would take several times the memory and the time. */
async function columnsOf(
  asked: Pick<ParquetReadOptions, 'file' | 'metadata' | 'columns'>,
  { from, to }: { readonly from: number; readonly to: number },
): Promise<DecodedColumns> {
  const decoded = new Map<string, DecodedChunk[]>()
  await parquetRead({
    ...asked,
    rowStart: from,
    rowEnd: to,
    compressors,
    utf8: false,
    onChunk: ({ columnName, columnData, rowStart }) => {
      const chunks = decoded.get(columnName)
      const chunk = { rowStart, data: columnData }
      if (chunks) chunks.push(chunk)
      else decoded.set(columnName, [chunk])
    },
  })
  return decoded
}

/** Columns of the table itself: what is nested in them is read with them. */
function topColumns({ schema }: FileMetaData): SchemaElement[] {
  const found: SchemaElement[] = []
  let at = 1
  const skip = (): void => {
    const children = schema[at]?.num_children ?? 0
    at += 1
    for (let child = 0; child < children; child += 1) skip()
  }
  while (at < schema.length) {
    found.push(schema[at]!)
    skip()
  }
  return found
}

const isDecimal = ({ converted_type: converted, logical_type: logical }: SchemaElement): boolean =>
  converted === 'DECIMAL' || logical?.type === 'DECIMAL'

function withoutDecimal(element: SchemaElement): SchemaElement {
  if (!isDecimal(element)) return element
  const { converted_type: _, logical_type: __, ...raw } = element
  return raw
}

const TEXT = new TextDecoder()

function cellText(value: unknown, scale: number | undefined): string {
  if (value === null || value === undefined) return ''
  if (scale !== undefined) return decimalOf(value, scale)
  if (typeof value === 'string') return value
  if (value instanceof Date) return value.toISOString()
  if (value instanceof Uint8Array) return TEXT.decode(value)
  return typeof value === 'object' ? JSON.stringify(value, plainJson) : String(value)
}

const plainJson = (_: string, value: unknown): unknown =>
  typeof value === 'bigint' ? String(value) : value instanceof Uint8Array ? TEXT.decode(value) : value

/** The whole number of a decimal, big-endian in two's complement where it is bytes, with its point put in. */
function decimalOf(value: unknown, scale: number): string {
  const whole = value instanceof Uint8Array ? wholeOf(value) : BigInt(value as number | bigint)
  const digits = (whole < 0n ? -whole : whole).toString().padStart(scale + 1, '0')
  const point = digits.length - scale
  const text = scale === 0 ? digits : `${digits.slice(0, point)}.${digits.slice(point)}`
  return whole < 0n ? `-${text}` : text
}

function wholeOf(bytes: Uint8Array): bigint {
  let whole = 0n
  for (const byte of bytes) whole = (whole << 8n) | BigInt(byte)
  return bytes.length > 0 && bytes[0]! > 127 ? whole - (1n << BigInt(bytes.length * 8)) : whole
}
