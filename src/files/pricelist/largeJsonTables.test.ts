import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { jsonPieces } from './jsonPieces.ts'
import { jsonTables } from './jsonTables.ts'
import { largeJsonTables } from './largeJsonTables.ts'
import { hartwellYard } from './testing/hartwellYard.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

/** The text in parts of so many bytes. */
function streamOf(text: string, size: number): ReadableStream<Uint8Array> {
  const bytes = new TextEncoder().encode(text)
  let at = 0
  return new ReadableStream({
    pull: (controller) => {
      if (at >= bytes.length) return controller.close()
      controller.enqueue(bytes.slice(at, (at += size)))
    },
  })
}

async function piecesOf(text: string, size: number, largest: number) {
  const all = []
  for await (const pieces of jsonPieces(streamOf(text, size), largest)) all.push(...pieces)
  return all.map(({ path, value }) => ({ path, value }))
}

describe('values of a JSON text as they come', () => {
  test('small ones whole, of large ones what is in them', async () => {
    const text = '{"a": 1, "big": {"x": [1, 2], "y": {"z": "}]\\"{"}}, "list": [{"k": 1}, {"k": 2}]}'
    expect(await piecesOf(text, 7, 12)).toEqual([
      { path: ['a'], value: 1 },
      { path: ['big', 'x'], value: [1, 2] },
      { path: ['big', 'y'], value: { z: '}]"{' } },
      { path: ['list', undefined], value: { k: 1 } },
      { path: ['list', undefined], value: { k: 2 } },
    ])
  })

  test('hold every figure, text and word of it in order, however they come', async () => {
    const leaves = (value: unknown): unknown[] =>
      typeof value === 'object' && value !== null ? Object.values(value).flatMap(leaves) : [value]
    await fc.assert(
      fc.asyncProperty(
        fc.jsonValue({ maxDepth: 4 }),
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 200 }),
        async (value, size, least) => {
          const text = `${JSON.stringify(value, null, size % 3)} `
          // No plain text may be longer than a piece.
          const longest = Math.max(
            0,
            ...(text.match(/"(?:[^"\\]|\\.)*"|[^\s,[\]{}"]+/g) ?? []).map(({ length }) => length),
          )
          const pieces = await piecesOf(text, size, Math.max(least, longest + size + 4))
          expect(pieces.flatMap((piece) => leaves(piece.value))).toEqual(leaves(JSON.parse(text)))
        },
      ),
      randomRuns(200),
    )
  })

  test.each(['{"a": 1', '{"a" 1}', '[1, 2', '{"a": tru}', '{"a": "x'])('%s is none', async (text) => {
    await expect(piecesOf(text, 3, 1_000)).rejects.toThrow(/cut off/)
  })
})

describe('tables of a document that is read piece by piece', () => {
  const rowsOf = async (text: string, size: number, largest: number) => {
    const tables = await largeJsonTables(() => streamOf(text, size), largest)
    return Promise.all(
      tables.map(async ({ name, columns, rows }) => {
        const all: (readonly string[])[] = []
        for await (const batch of rows) all.push(...batch)
        return { name, columns, rows: all }
      }),
    )
  }

  test.each([
    [200, 100],
    [64, 2_000],
    [4_096, 1_000_000],
  ])('are those of the whole, in parts of %i bytes with pieces of %i', async (size, largest) => {
    const text = hartwellYard().files[0]!.content as string
    expect(await rowsOf(text, size, largest)).toEqual(jsonTables(JSON.parse(text)))
  })

  test('a value on each line is a row', async () => {
    const lines = [1, 2, 3].map((i) => JSON.stringify({ id: `p${i}`, prices: [{ place: 'Leeds', each: i }] }))
    expect(await rowsOf(`${lines.join('\n')}\n`, 10, 30)).toEqual([
      {
        name: 'prices',
        columns: ['id', 'place', 'each'],
        rows: [
          ['p1', 'Leeds', '1'],
          ['p2', 'Leeds', '2'],
          ['p3', 'Leeds', '3'],
        ],
      },
    ])
  })
})
