import { DuckDBInstance } from '@duckdb/node-api'
import { mkdtempSync, openAsBlob, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { finishLater } from '../../core/finish.ts'
import { RULE_BOOK } from '../../core/testing/ruleBook.ts'
import { pricedTogether } from '../../core/testing/smallPlan.ts'
import { decimalText } from '../../core/bill/decimalText.ts'
import { focusCsv } from '../focus/focusCsv.ts'
import { readBill, type BillReading } from './readBill.ts'

const folder = mkdtempSync(join(tmpdir(), 'notchgauge-parquet-'))
const path = (name: string): string => join(folder, name)

async function reading(...names: string[]): Promise<BillReading> {
  const files = await Promise.all(names.map(async (name) => ({ name, file: await openAsBlob(path(name)) })))
  const outcome = await finishLater(readBill({ files, timeZone: 'Etc/UTC' }))
  if (!outcome.ok)
    throw new Error(outcome.issues.map(({ problem, expected }) => `${problem} ${expected}`).join('\n'))
  return outcome.value
}

const said = ({ lines }: BillReading): string[] =>
  lines
    .map((line) =>
      [line.resourceId, line.meter, line.day, line.unitPrice, line.pricingUnit, line.category]
        .concat([line.effective, line.quantity, line.consumed].map(decimalText))
        .join(' '),
    )
    .sort()

/** Another engine writes the bill in each way that its writers have. */
async function written(): Promise<BillReading> {
  const machines = [
    { name: 'replay', address: 'fixed' } as const,
    { name: 'kiosk “ü”', tags: { role: 'till' } },
  ]
  const priced = pricedTogether(
    machines.map((machine) => ({ ...machine, size: 'middle' })),
    RULE_BOOK,
  )
  writeFileSync(path('bill.csv'), focusCsv(priced, 'hour'))
  const connection = await (await DuckDBInstance.create(':memory:')).connect()
  await connection.run(
    `CREATE TABLE focus AS SELECT * REPLACE (
       CAST(EffectiveCost AS DECIMAL(38, 12)) AS EffectiveCost,
       CAST(PricingQuantity AS DECIMAL(30, 12)) AS PricingQuantity,
       CAST(ConsumedQuantity AS DECIMAL(18, 12)) AS ConsumedQuantity,
       CAST(ChargePeriodStart AS TIMESTAMP) AS ChargePeriodStart,
       CAST(ChargePeriodEnd AS TIMESTAMP) AS ChargePeriodEnd
     ) FROM read_csv('${path('bill.csv')}', all_varchar = true, header = true)`,
  )
  for (const codec of ['snappy', 'zstd', 'gzip', 'uncompressed']) {
    await connection.run(
      `COPY focus TO '${path(`${codec}.parquet`)}' (FORMAT parquet, COMPRESSION ${codec}, ROW_GROUP_SIZE 2048)`,
    )
  }
  await connection.run(
    `COPY (SELECT * REPLACE (MAP {'role': 'till', 'n': NULL} AS Tags) FROM focus) TO '${path('nested.parquet')}' (FORMAT parquet)`,
  )
  await connection.run(`COPY focus TO '${path('odd.parquet')}' (FORMAT parquet, COMPRESSION lz4_raw)`)
  // Nothing is secret in it: it only has to be encrypted.
  await connection.run("SET force_mbedtls_unsafe = 'true'")
  await connection.run("PRAGMA add_parquet_key('key128', '0123456789112345')")
  await connection.run(
    `COPY focus TO '${path('locked.parquet')}' (FORMAT parquet, ENCRYPTION_CONFIG {footer_key: 'key128'})`,
  )
  return reading('bill.csv')
}

test('Parquet says what the same bill says as CSV, however it is packed, to the last digit', async () => {
  const csv = await written()
  for (const codec of ['snappy', 'zstd', 'gzip', 'uncompressed']) {
    const found = await reading(`${codec}.parquet`)
    expect([codec, found.rows, found.troubles]).toEqual([codec, csv.rows, []])
    expect(said(found)).toEqual(said(csv))
  }
  const twice = await reading('zstd.parquet', 'zstd.parquet')
  expect(twice.files.map(({ isRepeated }) => isRepeated)).toEqual([false, true])
  const nested = await reading('nested.parquet')
  expect(said(nested)).toEqual(said(csv))
  expect(nested.troubles).toEqual([])
})

test('what is encrypted, cut off or packed otherwise is said', async () => {
  await written()
  await expect(reading('locked.parquet')).rejects.toThrow(/locked\.parquet is encrypted Parquet/)
  await expect(reading('odd.parquet')).rejects.toThrow(/packed by Snappy, gzip or Zstandard/)
  const whole = await openAsBlob(path('snappy.parquet'))
  writeFileSync(path('half.parquet'), Buffer.from(await whole.slice(0, whole.size / 2).arrayBuffer()))
  await expect(reading('half.parquet')).rejects.toThrow(/half\.parquet cannot be read as Parquet/)
})
