import { unzipSync } from 'fflate'
import { UnreadableList } from '../pricelist/listTable.ts'

/** A file that a bill consists of. */
export interface BillFile {
  readonly name: string
  readonly file: Blob
}

/** One table of a bill; it can be opened several times. */
export interface BillPart {
  readonly name: string
  readonly open: () => ReadableStream<Uint8Array>
  /** Where its rows are no text: headings first. */
  readonly rows?: () => AsyncGenerator<string[][]>
}

const MIB = 1024 * 1024
/** An archive is unpacked in memory; what is packed by itself is not. */
const MOST_PACKED = 64 * MIB
const MOST_UNPACKED = 256 * MIB
const MOST_FILES = 1_000

const begins = (magic: Uint8Array, bytes: readonly number[]): boolean =>
  bytes.every((byte, i) => magic[i] === byte)

/** The tables of a file, by its bytes and not its name. Throws `UnreadableList` where it is none that is known. */
export async function billParts({ name, file }: BillFile, isInside = false): Promise<BillPart[]> {
  const magic = new Uint8Array(await file.slice(0, 4).arrayBuffer())
  if (begins(magic, [0x50, 0x4b, 0x03, 0x04])) {
    if (isInside)
      throw new UnreadableList(`${name} is a zip within a zip. Expected: one that holds the tables.`)
    return zipParts({ name, file })
  }
  if (begins(magic, [0x50, 0x41, 0x52, 0x45])) {
    throw new UnreadableList(
      `${name} is encrypted Parquet. Expected: the same bill without encryption, or as CSV.`,
    )
  }
  if (begins(magic, [0x50, 0x41, 0x52, 0x31])) {
    return [
      {
        name,
        open: () => file.stream() as ReadableStream<Uint8Array>,
        rows: () => readParquet(name, file),
      },
    ]
  }
  if (begins(magic, [0x1f, 0x8b])) {
    return [
      {
        name,
        open: () => (file.stream() as ReadableStream).pipeThrough(new DecompressionStream('gzip') as never),
      },
    ]
  }
  return [{ name, open: () => file.stream() as ReadableStream<Uint8Array> }]
}

/** What decodes it comes when it is needed. */
async function* readParquet(name: string, file: Blob): AsyncGenerator<string[][]> {
  const { parquetRows } = await import('./parquetRows.ts')
  yield* parquetRows(name, file)
}

async function zipParts({ name, file }: BillFile): Promise<BillPart[]> {
  if (file.size > MOST_PACKED) {
    throw new UnreadableList(
      `${name} has ${Math.ceil(file.size / MIB)} MiB. Expected: at most ${MOST_PACKED / MIB}, or each table in .gz.`,
    )
  }
  const bytes = new Uint8Array(await file.arrayBuffer())
  let [unpacked, count] = [0, 0]
  try {
    unzipSync(bytes, {
      filter: (entry) => {
        unpacked += entry.originalSize
        count += 1
        return false
      },
    })
    if (unpacked > MOST_UNPACKED || count > MOST_FILES) {
      throw new UnreadableList(
        `${name} unpacks to ${count} files of ${Math.ceil(unpacked / MIB)} MiB. Expected: at most ${MOST_FILES} and ${MOST_UNPACKED / MIB}, or each table in .gz.`,
      )
    }
    const isTable = (inside: string): boolean => !/\/$|(^|\/)[._]/.test(inside)
    const entries = unzipSync(bytes, { filter: (entry) => isTable(entry.name) })
    const files = Object.entries(entries).map(([inside, content]) => ({
      name: `${name}/${inside}`,
      file: new Blob([content as Uint8Array<ArrayBuffer>]),
    }))
    return (await Promise.all(files.map((each) => billParts(each, true)))).flat()
  } catch (error) {
    if (error instanceof UnreadableList) throw error
    throw new UnreadableList(`${name} cannot be unpacked: it may be cut off. Expected: a whole zip.`)
  }
}
