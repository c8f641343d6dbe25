import { unzipSync } from 'fflate'
import { htmlTables } from './htmlTables.ts'
import { recogniseTable } from '../inventory/recogniseTable.ts'
import type { ListSource } from './listAnswer.ts'
import { jsonTables, ndjsonTables } from './jsonTables.ts'
import { largeJsonTables } from './largeJsonTables.ts'
import { onlyBatch, UnreadableList, type ListTable } from './listTable.ts'
import { foreignArchive, foreignFile, ownDocument } from './namedFile.ts'
import { readDelimited } from './readDelimited.ts'

const BYTES_LOOKED_AT = 256 * 1024
const MIB = 1024 * 1024
/** JSON up to here is in memory whole. */
const MOST_JSON = 64 * MIB
/** A spreadsheet or an archive is unpacked in memory. */
const MOST_PACKED = 64 * MIB
const MOST_UNPACKED = 256 * MIB
const MOST_PAGE = 32 * MIB
/** Of an OpenDocument’s sheets, which are read as one text. */
const MOST_CONTENT = 96 * MIB
const MOST_FILES = 40
const MOST_NAMES = 10_000

const GZIP = [0x1f, 0x8b]
const ZIP = [0x50, 0x4b, 0x03, 0x04]

interface NamedFile {
  readonly name: string
  readonly file: Blob
}

/** The tables of a list, each to be read once. Throws `UnreadableList` where there is none, or too much. */
export async function openTables(source: ListSource): Promise<ListTable[]> {
  const tables =
    source.kind === 'tables'
      ? source.tables.map(({ name, rows }) => ({ name, rows: onlyBatch(rows) }))
      : (await Promise.all(source.files.map((each) => fileTables(each, 0)))).flat()
  const taken = new Set<string>()
  return tables.map((table) => {
    const name = freeName(table.name, taken)
    taken.add(name)
    return { ...table, name }
  })
}

function freeName(name: string, taken: ReadonlySet<string>): string {
  const plain = name
    .replace(/[\p{Cc}\p{Cf}\s]+/gu, ' ')
    .trim()
    .slice(0, 60)
  const base = plain === '' ? 'table' : plain
  for (let count = 1; ; count++) {
    const free = count === 1 ? base : `${base} (${count})`
    if (!taken.has(free)) return free
  }
}

/** Without folders and what kind of file it is. */
const plainName = (name: string): string =>
  name.replace(/^.*\//, '').replace(/(\.(csv|tsv|txt|html?|json|ndjson|jsonl|xlsx|ods|gz|zip))+$/i, '')

async function fileTables({ name, file }: NamedFile, depth: number): Promise<ListTable[]> {
  const magic = new Uint8Array(await file.slice(0, 4).arrayBuffer())
  const begins = (bytes: readonly number[]): boolean => bytes.every((byte, i) => magic[i] === byte)
  if (begins(ZIP)) return zipTables({ name, file }, depth)
  const foreign = foreignFile(magic)
  if (foreign !== undefined) throw new UnreadableList(`${name} is ${foreign}`)
  const isGzip = begins(GZIP)
  const open = (): ReadableStream<Uint8Array> =>
    isGzip
      ? (file.stream() as ReadableStream).pipeThrough(new DecompressionStream('gzip') as never)
      : (file.stream() as ReadableStream<Uint8Array>)
  const start = await beginningOf(open(), name)
  if (isGzip && [GZIP, ZIP].some((sign) => sign.every((byte, i) => start[i] === byte))) {
    throw new UnreadableList(`${name} is packed twice. Expected: a list that is packed once.`)
  }
  if (isJson(start)) return jsonFileTables(name, open)
  if (isPage(start, name)) return pageTables(name, open())
  if (isBinary(start)) {
    throw new UnreadableList(
      `${name} is no text. Expected: CSV, JSON, a spreadsheet (.xlsx, .ods), or one of them packed.`,
    )
  }
  const { encoding, separator, decimal } = recogniseTable(start)
  if (isAligned(new TextDecoder(encoding).decode(start))) {
    const text = await textOf(open(), MOST_PAGE, `${name} is larger than ${MOST_PAGE / MIB} MiB.`)
    const rows = text.split(/\r\n?|\n/).map((line) => line.trim().split(GAP))
    return [{ name: plainName(name), rows: onlyBatch(rows), mark: decimal }]
  }
  return [{ name: plainName(name), rows: readDelimited(open(), { encoding, separator }), mark: decimal }]
}

/** A spreadsheet is a zip with a workbook in it; any other zip holds files. */
async function zipTables({ name, file }: NamedFile, depth: number): Promise<ListTable[]> {
  if (depth > 0)
    throw new UnreadableList(`${name} is a zip within a zip. Expected: one that holds the lists themselves.`)
  if (file.size > MOST_PACKED) {
    throw new UnreadableList(
      `${name} has ${Math.ceil(file.size / MIB)} MiB. Expected: at most ${MOST_PACKED / MIB}, or CSV in .gz.`,
    )
  }
  const bytes = new Uint8Array(await file.arrayBuffer())
  let [unpacked, count] = [0, 0]
  const names = new Set<string>()
  const look = (entry: { readonly name: string; readonly originalSize: number }): boolean => {
    unpacked += entry.originalSize
    if (names.size < MOST_NAMES) names.add(entry.name)
    if (!isFolderOrHidden(entry.name)) count += 1
    return false
  }
  unpack(name, () => unzipSync(bytes, { filter: look }))
  if (unpacked > MOST_UNPACKED) {
    throw new UnreadableList(
      `${name} unpacks to ${Math.ceil(unpacked / MIB)} MiB. Expected: at most ${MOST_UNPACKED / MIB}.`,
    )
  }
  if (names.has('xl/workbook.xml')) return (await import('./sheetTables.ts')).sheetTables(name, file)
  const foreign = foreignArchive(names)
  if (foreign !== undefined) throw new UnreadableList(`${name} is ${foreign}`)
  if (names.has('content.xml') && names.has('mimetype')) return openDocument(name, bytes)
  if (count > MOST_FILES)
    throw new UnreadableList(`${name} holds ${count} files. Expected: at most ${MOST_FILES}.`)
  const entries = unpack(name, () => unzipSync(bytes, { filter: (entry) => !isFolderOrHidden(entry.name) }))
  const files = Object.entries(entries).map(([inside, content]) => ({
    name: inside,
    file: new Blob([content as Uint8Array<ArrayBuffer>]),
  }))
  if (files.length === 0) throw new UnreadableList(`${name} holds no file. Expected: the lists themselves.`)
  return (await Promise.all(files.map((each) => fileTables(each, depth + 1)))).flat()
}

/** The sheets of an OpenDocument spreadsheet; other documents of its kind have none. */
async function openDocument(name: string, bytes: Uint8Array): Promise<ListTable[]> {
  const entries = unpack(name, () =>
    unzipSync(bytes, { filter: (entry) => entry.name === 'content.xml' || entry.name === 'mimetype' }),
  )
  const kind = new TextDecoder().decode(entries.mimetype)
  if (!/spreadsheet/.test(kind))
    throw new UnreadableList(`${name} is a document without sheets. Expected: a spreadsheet, CSV or JSON.`)
  if ((entries['content.xml']?.length ?? 0) > MOST_CONTENT)
    throw new UnreadableList(
      `${name} has sheets of more than ${MOST_CONTENT / MIB} MiB. Expected: a part of it, or CSV.`,
    )
  return (await import('./odsTables.ts')).odsTables(name, new TextDecoder().decode(entries['content.xml']))
}

const isFolderOrHidden = (name: string): boolean => /\/$|(^|\/)[._]/.test(name)

function unpack<T>(name: string, work: () => T): T {
  try {
    return work()
  } catch {
    throw new UnreadableList(`${name} cannot be unpacked: it may be cut off. Expected: a whole zip.`)
  }
}

const isJson = (start: Uint8Array): boolean =>
  /^\uFEFF?\s*[[{]/.test(new TextDecoder().decode(start.subarray(0, 1_000)))

/** Zeros stand in every second place of text in UTF-16, and anywhere in what is no text. */
function isBinary(start: Uint8Array): boolean {
  const zeros = [0, 0]
  start.subarray(0, 4_096).forEach((byte, i) => {
    if (byte === 0) zeros[i % 2]! += 1
  })
  return Math.min(...zeros) * 5 > Math.max(...zeros)
}

const isPage = (start: Uint8Array, name: string): boolean =>
  /\.html?$/i.test(name) ||
  /^\uFEFF?\s*(<!doctype html|<html|<table)/i.test(new TextDecoder().decode(start.subarray(0, 1_000)))

/** The tables of a saved page; those of one cell or one row are how it is laid out. */
async function pageTables(name: string, stream: ReadableStream<Uint8Array>): Promise<ListTable[]> {
  const tables = htmlTables(await textOf(stream, MOST_PAGE, `${name} is larger than ${MOST_PAGE / MIB} MiB.`))
  if (tables.length === 0)
    throw new UnreadableList(`${name} has no table. Expected: a page with prices in a table.`)
  return tables.map((table) => ({ name: table.name, rows: onlyBatch(table.rows) }))
}

/** Blanks that part columns of a text that is meant to be read. */
const GAP = /[ \u00a0]{2,}/
const LINES_LOOKED_AT = 60

/** Whether nothing but blanks parts the columns of a text, in as many parts in nearly every line. */
function isAligned(text: string): boolean {
  const lines = text
    .split(/\r\n?|\n/)
    .slice(0, LINES_LOOKED_AT)
    .filter((line) => line.trim() !== '')
  const [first] = lines
  if (first === undefined || /[;\t|]|,\S/.test(first)) return false
  const counts = lines.map((line) => line.trim().split(GAP).length)
  const most = Math.max(...counts)
  return most > 1 && counts.filter((count) => count === most).length > lines.length * 0.7
}

/** JSON as a whole, or a value on each line; what is too large for memory is read as it comes. */
async function jsonFileTables(name: string, open: () => ReadableStream<Uint8Array>): Promise<ListTable[]> {
  const text = await textUpTo(open(), MOST_JSON)
  if (text === undefined) return largeJsonTables(open)
  const tables = jsonTextTables(text)
  return tables.map((table) => ({
    ...table,
    name: tables.length === 1 ? plainName(name) : table.name,
    rows: onlyBatch(table.rows),
    mark: '.',
  }))
}

function jsonTextTables(text: string) {
  const lines = text.trimEnd().split('\n', 2)
  try {
    if (lines.length < 2 || !isValue(lines[0]!)) {
      const value: unknown = JSON.parse(text)
      const own = ownDocument(value)
      if (own !== undefined)
        throw new UnreadableList(`The file is ${own}, and no price list. Expected: that under Plan, Import.`)
      return jsonTables(value)
    }
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    throw new UnreadableList('The file begins like JSON and is none: it may be cut off.')
  }
  return ndjsonTables(text)
}

function isValue(line: string): boolean {
  try {
    JSON.parse(line)
    return true
  } catch {
    return false
  }
}

async function textOf(stream: ReadableStream<Uint8Array>, most: number, tooMuch: string): Promise<string> {
  const text = await textUpTo(stream, most)
  if (text === undefined) throw new UnreadableList(tooMuch)
  return text
}

/** Undefined where there is more of it. */
async function textUpTo(stream: ReadableStream<Uint8Array>, most: number): Promise<string | undefined> {
  const reader = stream.getReader()
  const decoder = new TextDecoder()
  let text = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return (text + decoder.decode()).replace(/^\uFEFF/, '')
    text += decoder.decode(value, { stream: true })
    if (text.length > most) {
      await reader.cancel().catch(() => undefined)
      return undefined
    }
  }
}

/** The first bytes of a stream, which is left there. */
async function beginningOf(stream: ReadableStream<Uint8Array>, name: string): Promise<Uint8Array> {
  const reader = stream.getReader()
  const pieces: Uint8Array[] = []
  let length = 0
  try {
    while (length < BYTES_LOOKED_AT) {
      const { done, value } = await reader.read()
      if (done) break
      pieces.push(value)
      length += value.length
    }
  } catch {
    throw new UnreadableList(`${name} cannot be unpacked: it may be cut off.`)
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
