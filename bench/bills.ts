import { once } from 'node:events'
import { createWriteStream, mkdtempSync, openAsBlob, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { execFileSync } from 'node:child_process'
import { parquetMetadataAsync, parquetReadObjects } from 'hyparquet'
import Papa from 'papaparse'
import { finishLater } from '../src/core/finish.ts'
import { isBillColumn } from '../src/files/bill/billColumns.ts'
import { readBill } from '../src/files/bill/readBill.ts'
import { FOCUS_COLUMNS } from '../src/files/focus/focusColumns.ts'
import { measured } from './measured.ts'

/**
 * Reads a large bill by the hour as the program does, and with the parsing library alone: `npm run bench:bills [rows] [parquet]`.
 * Prints rows a second, the most memory, and the ratio of the two. Parquet is the same bill as DuckDB writes it, packed by
 * Snappy in groups of 122,880 rows; what it is held against is decoding the columns that a bill is read for.
 */
const wanted = Number(process.argv[2] ?? 5_000_000)
const RESOURCES = Math.max(10, Math.ceil(wanted / (3 * 744)))
const folder = mkdtempSync(join(tmpdir(), 'bills-'))
const path = join(folder, 'bill.csv')
const isParquet = process.argv[3] === 'parquet'
const packed = join(folder, 'bill.parquet')
const START = Date.UTC(2027, 2, 1)
const HOUR = 3_600_000

const METERS = [
  ['compute', 'Compute', 'Hours', '0.2067', 'Machine'],
  ['disk', 'Storage', 'GiB-Months', '0.0820', 'Disk'],
  ['address', 'Networking', 'Hours', '0.0036', 'Address'],
] as const

const utc = (at: number): string => new Date(at).toISOString().replace('.000', '')

async function writeLarge(): Promise<void> {
  const file = createWriteStream(path)
  file.write(`${FOCUS_COLUMNS.join(',')}\n`)
  let rows = 0
  for (let hour = 0; rows < wanted; hour += 1) {
    const [from, to] = [utc(START + (hour % 744) * HOUR), utc(START + ((hour % 744) + 1) * HOUR)]
    let piece = ''
    for (let at = 0; at < RESOURCES && rows < wanted; at += 1) {
      for (const [meter, service, unit, price, type] of METERS) {
        const cells: Readonly<Record<string, string>> = {
          BillingPeriodStart: '2027-03-01T00:00:00Z',
          BillingPeriodEnd: '2027-04-01T00:00:00Z',
          ChargePeriodStart: from,
          ChargePeriodEnd: to,
          BillingCurrency: 'EUR',
          BilledCost: `0.${1_000 + ((rows * 7) % 8_999)}`,
          EffectiveCost: `0.${1_000 + ((rows * 7) % 8_999)}`,
          ListUnitPrice: price,
          PricingQuantity: '1',
          PricingUnit: unit,
          ConsumedQuantity: '1',
          ConsumedUnit: unit,
          ChargeCategory: 'Usage',
          ChargeFrequency: 'Usage-Based',
          PricingCategory: 'Standard',
          ServiceCategory: service,
          ProviderName: 'Large',
          SkuId: `sku-${at % 40}`,
          SkuMeter: meter,
          SkuPriceDetails: `"{""InstanceType"":""tern-${at % 40}"",""CoreCount"":4}"`,
          ResourceId: `account-1/machines/vm-${at}/${type}`,
          ResourceName: `vm-${at}`,
          ResourceType: type,
          RegionId: 'porto',
          Tags: `"{""team"":""team-${at % 12}"",""stage"":""test""}"`,
        }
        piece += `${FOCUS_COLUMNS.map((column) => cells[column] ?? '').join(',')}\n`
        rows += 1
      }
    }
    if (!file.write(piece)) await once(file, 'drain')
  }
  file.end()
  await once(file, 'finish')
}

/** By a process of its own, whose memory is not that of reading. */
function writeParquet(): void {
  const statement = `COPY (SELECT * FROM read_csv('${path}', all_varchar = true, header = true)) TO '${packed}' (FORMAT parquet)`
  const script = `import { DuckDBInstance } from '@duckdb/node-api'
    const connection = await (await DuckDBInstance.create(':memory:')).connect()
    await connection.run(${JSON.stringify(statement)})`
  execFileSync(process.execPath, ['--input-type=module', '-e', script], { stdio: 'inherit' })
}

async function libraryAlone(): Promise<void> {
  if (isParquet) return decodedAlone()
  const decoder = new TextDecoder()
  let rest = ''
  for await (const piece of (await openAsBlob(path)).stream() as unknown as AsyncIterable<Uint8Array>) {
    rest += decoder.decode(piece, { stream: true })
    const { meta } = new Papa.Parser({ delimiter: ',' }).parse(rest, 0, true) as Papa.ParseResult<string[]>
    rest = rest.slice(meta.cursor)
  }
}

async function decodedAlone(): Promise<void> {
  const blob = await openAsBlob(packed)
  const file = {
    byteLength: blob.size,
    slice: (start: number, end?: number) => blob.slice(start, end).arrayBuffer(),
  }
  const metadata = await parquetMetadataAsync(file)
  const columns = FOCUS_COLUMNS.filter(isBillColumn)
  let begins = 0
  for (const group of metadata.row_groups) {
    const ends = begins + Number(group.num_rows)
    await parquetReadObjects({ file, metadata, columns, rowStart: begins, rowEnd: ends })
    begins = ends
  }
}

async function asAnswered(): Promise<void> {
  const name = isParquet ? packed : path
  const files = [{ name, file: await openAsBlob(name) }]
  const outcome = await finishLater(readBill({ files, timeZone: 'Etc/UTC' }))
  if (!outcome.ok) throw new Error(outcome.issues[0].problem)
  console.log(`${outcome.value.lines.length.toLocaleString('en')} lines of ${RESOURCES} machines`)
}

/** Seconds. */
async function said(name: string, work: () => Promise<void>): Promise<number> {
  const { seconds, most } = await measured(work)
  const speed = Math.round(wanted / seconds).toLocaleString('en')
  console.log(
    `${name.padEnd(26)}${seconds.toFixed(1)} s, ${speed} rows a second, at most ${Math.round(most)} MiB`,
  )
  return seconds
}

try {
  await writeLarge()
  if (isParquet) writeParquet()
  // Ours first: what the other leaves behind in memory is not counted as ours.
  const whole = await said('as the program reads it', asAnswered)
  const alone = await said('the library alone', libraryAlone)
  console.log(`ratio ${(whole / alone).toFixed(2)}`)
} finally {
  rmSync(folder, { recursive: true })
}
