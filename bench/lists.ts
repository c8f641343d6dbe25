import { createWriteStream, mkdtempSync, openAsBlob, rmSync } from 'node:fs'
import { once } from 'node:events'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { jsonPieces } from '../src/files/pricelist/jsonPieces.ts'
import { readList } from '../src/files/pricelist/readList.ts'
import { measured } from './measured.ts'

/**
 * Reads a large list as the prices screen does, and with the parsing library alone: `npm run bench:lists [MiB] [json]`.
 * Prints rows a second, the most memory, and the ratio of the two. JSON is nested; what it is held against is cutting it
 * into values and parsing these, since no string holds it whole.
 */
const wanted = Number(process.argv[2] ?? 1_024) * 1024 * 1024
const isJson = process.argv[3] === 'json'
const folder = mkdtempSync(join(tmpdir(), 'lists-'))
const path = join(folder, isJson ? 'large.json' : 'large.csv')

/** Letters alone, so that the figures in a size are its vCPU and memory. */
const NAMES = Array.from(
  { length: 40 },
  (_, i) => `tern${String.fromCharCode(97 + (i % 26))}${i < 26 ? '' : 'x'}`,
)

async function writeLarge(): Promise<number> {
  if (isJson) return writeLargeJson()
  const file = createWriteStream(path)
  file.write('sku_label,site,os,plan,rate_std_hr,cur,mem gib\n')
  let [bytes, rows] = [0, 0]
  while (bytes < wanted) {
    let piece = ''
    for (let i = 0; i < 5_000; i++, rows++) {
      const vcpu = 1 + (rows % 64)
      const size = rows % 3_000
      piece += `${NAMES[size % 40]} ${vcpu}-${vcpu * 4},Place ${rows % 150},${rows % 3 === 0 ? 'linux' : 'srv26'},${rows % 5 === 0 ? 'hourly' : '1y'},0.${1_000 + (rows % 8_999)},USD,${vcpu * 4}\n`
    }
    bytes += piece.length
    if (!file.write(piece)) await once(file, 'drain')
  }
  file.end()
  await once(file, 'finish')
  return rows
}

/** Sizes, and their prices by size, place and plan in nested maps. */
async function writeLargeJson(): Promise<number> {
  const file = createWriteStream(path)
  const sizes = NAMES.flatMap((name) =>
    [1, 2, 4, 8].map((vcpu) => ({ name: `${name} ${vcpu}`, vcpu, ram_gib: vcpu * 4 })),
  )
  const keyed = Object.fromEntries(sizes.map((size, i) => [`s${i}`, size]))
  file.write(`{"currency":"USD","sizes":${JSON.stringify(keyed)},"prices":{`)
  let [bytes, rows] = [0, 0]
  for (let round = 0; bytes < wanted; round++) {
    const places = Array.from({ length: 150 }, (_, i) => {
      const plans = ['hourly', '1y', '3y'].map(
        (plan, at) => `"${plan}":[{"from":0,"usd_per_hour":"0.${1_000 + ((rows + i * 3 + at) % 8_999)}"}]`,
      )
      return `"Place ${i}":{${plans.join(',')}}`
    })
    // A list repeats no key; prices that nobody looks up are counted and left out.
    const piece = `${round === 0 ? '' : ','}"s${round}":{${places.join(',')}}`
    rows += 450
    bytes += piece.length
    if (!file.write(piece)) await once(file, 'drain')
  }
  file.end('}}')
  await once(file, 'finish')
  return rows
}

async function libraryAlone(): Promise<void> {
  if (isJson) {
    const file = await openAsBlob(path)
    for await (const pieces of jsonPieces(file.stream() as ReadableStream<Uint8Array>)) void pieces
    return
  }
  const decoder = new TextDecoder()
  let rest = ''
  for await (const piece of (await openAsBlob(path)).stream() as unknown as AsyncIterable<Uint8Array>) {
    rest += decoder.decode(piece, { stream: true })
    const { meta } = new Papa.Parser({ delimiter: ',' }).parse(rest, 0, true) as Papa.ParseResult<string[]>
    rest = rest.slice(meta.cursor)
  }
}

async function asTheScreen(): Promise<void> {
  const files = [{ file: await openAsBlob(path), name: path }]
  const source = { kind: 'files', files } as const
  const provider = { id: 'large', name: 'Large' }
  const steps = readList({ source, provider, from: '2027-03-01', manner: 'gives-back' })
  for (let step = await steps.next(); !step.done; step = await steps.next());
}

try {
  const rows = await writeLarge()
  const alone = await measured(libraryAlone)
  const whole = await measured(asTheScreen)
  const line = (name: string, { seconds, most }: typeof alone): void =>
    console.log(
      `${name.padEnd(24)} ${seconds.toFixed(1).padStart(7)} s ${Math.round(rows / seconds)
        .toLocaleString('en')
        .padStart(10)} rows a second, at most ${Math.round(most)} MiB`,
    )
  console.log(
    `${Math.round(wanted / 1024 / 1024)} MiB of ${isJson ? 'JSON' : 'CSV'}, ${rows.toLocaleString('en')} rows`,
  )
  line('the library alone', alone)
  line('as the screen reads it', whole)
  console.log(`ratio ${(whole.seconds / alone.seconds).toFixed(2)}`)
} finally {
  rmSync(folder, { recursive: true })
}
