import type { BillRecipe } from '../../core/billMapping/billMapping.ts'
import type { BillLine, BillResource } from '../../core/bill/billLine.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { recogniseTable } from '../inventory/recogniseTable.ts'
import { UnreadableList } from '../pricelist/listTable.ts'
import { readDelimited } from '../pricelist/readDelimited.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { billParts, type BillFile, type BillPart } from './billParts.ts'
import type { BillRows, BillZones } from './BillRows.ts'
import type { BillTrouble } from './billTrouble.ts'
import type { LeftOutService } from './LeftOutServices.ts'
import { partReader, type PartReader } from './partReader.ts'
import { RunningDigest } from './RunningDigest.ts'

export interface BillQuestion extends BillZones {
  readonly files: readonly BillFile[]
  /** How bills are read that do not follow FOCUS: the first that fits. */
  readonly recipes?: readonly BillRecipe[]
}

/** What has been read so far. */
export interface BillStep {
  readonly rows: number
  readonly bytes: number
}

export interface BillReading {
  readonly files: readonly { readonly name: string; readonly rows: number; readonly isRepeated: boolean }[]
  /** Rows without headings and blank lines. */
  readonly rows: number
  /** Those that are about machines, and counted. */
  readonly used: number
  readonly lines: readonly BillLine[]
  readonly resources: readonly BillResource[]
  readonly leftOut: readonly LeftOutService[]
  readonly troubles: readonly BillTrouble[]
}

type Steps = AsyncGenerator<BillStep, Outcome<BillReading, FileIssue>>

const BYTES_LOOKED_AT = 64 * 1024
/** Beyond it a reduction on the engine where the bill lies is the way: docs/formats/bill.md. */
const MOST_LINES = 2_000_000
const MOST = {
  bytes: 64 * 1024 ** 3,
  problem:
    'The bill has more than 64 GiB, unpacked. Expected: its reduction, by the statement in docs/formats/bill.md.',
}

/**
 * Reads a bill in the FOCUS format, in one pass. Memory: one piece of a file, one row, and a line for each resource, meter,
 * unit price and day. A part that comes twice is counted once.
 */
export async function* readBill({ files, recipes = [], ...zones }: BillQuestion): Steps {
  try {
    return yield* readParts(files, zones, recipes)
  } catch (error) {
    if (!(error instanceof UnreadableList)) throw error
    const [problem, expected] = error.message.split(' Expected: ') as [string, string?]
    return refuse(issueOf(problem, expected ?? 'a bill with the columns of FOCUS.'))
  }
}

async function* readParts(
  files: readonly BillFile[],
  zones: BillZones,
  recipes: readonly BillRecipe[],
): Steps {
  const parts = (await Promise.all(files.map((file) => billParts(file)))).flat()
  const seen = new Set<string>()
  const read: { name: string; rows: number; isRepeated: boolean }[] = []
  let all: BillRows | undefined
  let bytes = 0
  for (const part of parts) {
    const digest = new RunningDigest()
    const watched = watching(part, (piece) => {
      digest.add(piece)
      bytes += piece.length
    })
    let reader: PartReader | undefined
    // What is no text is passed once for its digest, and read from where its columns lie.
    if (part.rows) await passed(watched)
    const batches = part.rows?.() ?? readDelimited(watched, { ...(await habitsOf(part)), most: MOST })
    for await (const batch of batches) {
      let own = batch
      if (!reader) {
        const begun = partReader(batch, part.name, zones, recipes)
        if ('issues' in begun) {
          const [first, ...more] = begun.issues.map((each) => ({
            ...each,
            problem: `${part.name}: ${each.problem}`,
          }))
          return refuse(first!, ...more)
        }
        reader = begun
        own = batch.slice(begun.above)
      }
      const { rows, add } = reader
      for (const cells of own) add(cells)
      if (rows.reduction.size > MOST_LINES) {
        throw new UnreadableList(
          `The bill has more than ${MOST_LINES} resources, meters and days. Expected: a part of it, such as one account.`,
        )
      }
      yield { rows: (all?.rows ?? 0) + rows.rows, bytes }
    }
    if (!reader) return refuse(issueOf(`${part.name} is empty.`, 'a table with a line of headings.'))
    const { rows } = reader
    const isRepeated = seen.has(digest.text)
    seen.add(digest.text)
    read.push({ name: part.name, rows: rows.rows, isRepeated })
    if (isRepeated) continue
    if (all) all.merge(rows)
    else all = rows
  }
  if (!all) return refuse(issueOf('There is no file.', 'a bill with the columns of FOCUS.'))
  const { rows, used, reduction, resources, leftOut, troubles } = all
  return accept({
    files: read,
    rows,
    used,
    lines: reduction.takeLines(),
    resources: resources.list(),
    leftOut: leftOut.list(),
    troubles: troubles.list(),
  })
}

/** How the part is written, by its beginning. */
export async function habitsOf(
  part: BillPart,
): Promise<Pick<ReturnType<typeof recogniseTable>, 'encoding' | 'separator'>> {
  const reader = part.open().getReader()
  const start: number[] = []
  try {
    while (start.length < BYTES_LOOKED_AT) {
      const { done, value } = await reader.read()
      if (done) break
      for (const byte of value.subarray(0, BYTES_LOOKED_AT)) start.push(byte)
    }
  } catch {
    throw new UnreadableList(`${part.name} cannot be unpacked: it may be cut off. Expected: a whole file.`)
  }
  await reader.cancel().catch(() => undefined)
  const { encoding, separator } = recogniseTable(Uint8Array.from(start))
  return { encoding, separator }
}

/** The part's bytes, told as they pass; a packed one that ends too early is said by its name. */
function watching(part: BillPart, onPiece: (piece: Uint8Array) => void): ReadableStream<Uint8Array> {
  const reader = part.open().getReader()
  return new ReadableStream({
    pull: async (controller) => {
      try {
        const { done, value } = await reader.read()
        if (done) return controller.close()
        onPiece(value)
        controller.enqueue(value)
      } catch {
        controller.error(
          new UnreadableList(`${part.name} cannot be unpacked: it may be cut off. Expected: a whole file.`),
        )
      }
    },
    cancel: (reason) => reader.cancel(reason),
  })
}

async function passed(stream: ReadableStream<Uint8Array>): Promise<void> {
  const reader = stream.getReader()
  while (!(await reader.read()).done);
}

const issueOf = (problem: string, expected: string): FileIssue => ({
  code: 'bad-value',
  pointer: '',
  problem,
  expected,
})
