import { gunzipSync } from 'fflate'
import { decompress as unzstd } from 'fzstd'
import { parquetMetadataAsync, parquetReadObjects, type FileMetaData, type SchemaElement } from 'hyparquet'
import { UnreadableList } from '../pricelist/listTable.ts'
import { isBillColumn } from './billColumns.ts'

/** Rows that are decoded at a time; a group of rows is decoded anew for each. */
const ROWS_AT_A_TIME = 150_000
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
      let rows: readonly Readonly<Record<string, unknown>>[]
      try {
        rows = await parquetReadObjects({
          file: buffer,
          metadata: exact,
          columns: used.map((column) => column.name),
          rowStart: at,
          rowEnd: Math.min(at + ROWS_AT_A_TIME, ends),
          compressors,
          utf8: false,
        })
      } catch (error) {
        throw unreadable(error)
      }
      yield rows.map((row) => {
        const cells = new Map(Object.entries(row))
        return columns.map(({ name: column }) => cellText(cells.get(column), scales.get(column)))
      })
    }
    begins = ends
  }
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
