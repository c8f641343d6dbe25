import Papa from 'papaparse'
import { UnreadableList } from './listTable.ts'
import type { Encoding, Separator } from '../inventory/inventoryTable.ts'

export interface Delimited {
  readonly encoding: Encoding
  readonly separator: Separator
  /** Most bytes, unpacked, and what to say beyond them. */
  readonly most?: { readonly bytes: number; readonly problem: string }
}

/** No price list is so long; something packed may unpack to it. */
const MOST = {
  bytes: 4 * 1024 ** 3,
  problem: 'The list has more than 4 GiB, unpacked. Expected: a part of it, such as one place.',
}
/** More is no row: a quote that is never closed. */
const LONGEST_ROW = 4 * 1024 * 1024

/**
 * Rows of a delimited text as they come, in batches of what a piece of the stream holds; blank lines are rows without
 * cells, so that rows keep their numbers. Memory: one piece and one row.
 */
export async function* readDelimited(
  stream: ReadableStream<Uint8Array>,
  { encoding, separator, most = MOST }: Delimited,
): AsyncGenerator<string[][]> {
  const decoder = new TextDecoder(encoding)
  const reader = stream.getReader()
  let rest = ''
  let bytes = 0
  try {
    for (let isDone = false; !isDone;) {
      const { done, value } = await reader.read()
      isDone = done
      bytes += value?.length ?? 0
      if (bytes > most.bytes) throw new UnreadableList(most.problem)
      rest += done ? decoder.decode() : decoder.decode(value, { stream: true })
      const parser = new Papa.Parser({ delimiter: separator })
      const { data, meta } = parser.parse(rest, 0, !done) as Papa.ParseResult<string[]>
      rest = rest.slice(meta.cursor)
      if (rest.length > LONGEST_ROW)
        throw new UnreadableList('A row has no end: is a quotation mark missing? Expected: every one closed.')
      if (data.length > 0) yield data
    }
  } finally {
    await reader.cancel().catch(() => undefined)
  }
}
