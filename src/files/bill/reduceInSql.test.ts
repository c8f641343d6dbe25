import { DuckDBInstance } from '@duckdb/node-api'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { expect, test } from 'vitest'
import { finishLater } from '../../core/finish.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { decimalText } from '../../core/bill/decimalText.ts'
import { focusCsv } from '../focus/focusCsv.ts'
import { readPlan } from '../plan/planFile.ts'
import { readBill, type BillReading } from './readBill.ts'

type Row = Record<string, string>

async function reading(text: string): Promise<BillReading> {
  const files = [{ name: 'bill.csv', file: new Blob([text]) }]
  const outcome = await finishLater(readBill({ files, timeZone: 'Etc/UTC' }))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.value
}

/** The demo's month by the hour, and rows that are no usage of machines. */
function demoBill(): string {
  const plan = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
  if (!plan.ok) throw new Error('the demo is not valid')
  const month = '2027-03' as YearMonth
  const pricing = new PlanPricing({ plan: plan.value, books: DEMO_BOOKS, month, reading: 'calendar' })
  const priced = plan.value.machines
    .slice(0, 2)
    .map((machine) => pricing.of(machine))
    .filter((result) => result.ok)
  const { data } = Papa.parse<Row>(focusCsv(priced, 'hour'), { header: true, skipEmptyLines: true })
  const [first] = data
  const odd: Row[] = [
    { ...first!, ChargeCategory: 'Tax', ServiceCategory: 'Other', ResourceId: '', EffectiveCost: '12.5' },
    { ...first!, ChargeCategory: 'Credit', EffectiveCost: '-3.25' },
    { ...first!, ChargeClass: 'Correction', EffectiveCost: '-0.75', ConsumedQuantity: '-1' },
    { ...first!, ServiceCategory: 'Databases', ServiceName: 'Tables', EffectiveCost: '4.2' },
    { ...first!, ServiceCategory: 'Databases', ServiceName: 'Tables', EffectiveCost: '1.1' },
    {
      ...first!,
      ChargePeriodStart: '2027-03-01T00:00:00Z',
      ChargePeriodEnd: '2027-04-01T00:00:00Z',
      SkuMeter: 'rent',
    },
  ]
  return Papa.unparse([...data, ...odd])
}

const key = ({
  rows: _,
  billed,
  effective,
  list,
  quantity,
  consumed,
  ...rest
}: BillReading['lines'][number]) =>
  [
    Object.values(rest).join('|'),
    ...[billed, effective, list, quantity, consumed].map((value) => decimalText(value)),
  ].join(' ')

test('the documented statement reduces a bill as our own reading does, on another engine', async () => {
  const text = demoBill()
  const statement = /```sql\n([\s\S]*?)```/.exec(readFileSync('docs/formats/bill.md', 'utf8'))![1]!
  const folder = mkdtempSync(join(tmpdir(), 'notchgauge-bill-'))
  const [from, to] = [join(folder, 'bill.csv'), join(folder, 'reduced.csv')]
  writeFileSync(from, text)
  const instance = await DuckDBInstance.create(':memory:')
  const connection = await instance.connect()
  const costs = ['BilledCost', 'EffectiveCost', 'ListCost', 'PricingQuantity', 'ConsumedQuantity']
  const times = ['BillingPeriodStart', 'BillingPeriodEnd', 'ChargePeriodStart', 'ChargePeriodEnd']
  const typed = [
    ...costs.map((column) => `CAST(${column} AS DECIMAL(38, 12)) AS ${column}`),
    ...times.map((column) => `CAST(replace(${column}, 'Z', '') AS TIMESTAMP) AS ${column}`),
  ]
  await connection.run(
    `CREATE TABLE focus AS SELECT * REPLACE (${typed.join(', ')}) FROM read_csv('${from}', header = true, all_varchar = true)`,
  )
  await connection.run(`COPY (${statement}) TO '${to}' (HEADER, DELIMITER ',')`)
  connection.closeSync()
  const [own, reduced] = [await reading(text), await reading(readFileSync(to, 'utf8'))]
  expect(reduced.rows).toBeLessThan(own.rows / 5)
  expect(reduced.troubles).toEqual([])
  expect(reduced.lines.map(key).sort()).toEqual(own.lines.map(key).sort())
  const money = ({ leftOut }: BillReading) =>
    leftOut.map(({ service, effective }) => [service, decimalText(effective)])
  expect(money(reduced)).toEqual(money(own))
}, 60_000)
