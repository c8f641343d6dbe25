import Ajv from 'ajv'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import type { ComparisonReport } from '../files/bill/comparisonReport.ts'
import { runBill } from './bill.ts'
import { CommandRun } from './CommandRun.ts'
import { runCommand } from './runCommand.ts'

type Row = Record<string, string>

const folder = mkdtempSync(join(tmpdir(), 'notchgauge-compare-'))
const QUESTION = ['--plan', 'data/larkspur-trams.json', '--book', 'data', '--month', '2027-03']

function newRun() {
  const said = { stdout: '', stderr: '' }
  const run = new CommandRun(
    (text) => (said.stdout += text),
    (text) => (said.stderr += text),
  )
  return { said, run }
}

const planned = newRun()
runCommand([...QUESTION, '--format', 'focus', '--by', 'day'], planned.run)
const ROWS: readonly Row[] = Papa.parse<Row>(planned.said.stdout, { header: true, skipEmptyLines: true }).data

/** The demo’s own bill of four providers in four zones, changed, against the demo. */
async function compare(change: (rows: readonly Row[]) => readonly Row[], ...args: string[]) {
  const path = join(folder, 'bill.csv')
  writeFileSync(path, Papa.unparse([...change(ROWS)]))
  const { said, run } = newRun()
  const status = await runBill(['compare', ...QUESTION, ...args, path], run)
  return { status, ...said }
}

const lines = (stdout: string): string[] => stdout.split('\n').filter((line) => / (EUR|USD) /.test(line))

/** Two hours more of one machine on a Saturday, at its price. */
const twoHours = (rows: readonly Row[]): Row[] => {
  const row = rows.find(
    ({ SkuMeter, ResourceName }) => SkuMeter === 'compute' && ResourceName === 'signal-replay',
  )!
  const more = {
    PricingQuantity: '2',
    ConsumedQuantity: '2',
    EffectiveCost: String(2 * Number(row.ContractedUnitPrice)),
  }
  return [
    ...rows,
    { ...row, ...more, ChargePeriodStart: '2027-03-06T00:00:00Z', ChargePeriodEnd: '2027-03-07T00:00:00Z' },
  ]
}

describe('bill compare', () => {
  test('a bill that is the plan has no causes, whatever the providers’ zones', async () => {
    const { status, stdout, stderr } = await compare((rows) => rows, '--threshold', '0')
    expect([status, stderr]).toEqual([0, ''])
    expect(lines(stdout).map((line) => line.trim())).toEqual([
      '696.00 EUR  planned',
      '696.00 EUR  billed',
      '139.97 USD  planned',
      '139.97 USD  billed',
    ])
  })

  test('says what was on for longer, when and for how much, and ends with 6 over the threshold', async () => {
    const { status, stdout, stderr } = await compare(twoHours, '--threshold', '0.10')
    expect(stdout).toMatch(
      /\+0\.\d\d EUR {2}signal-replay, machine time: on for longer than planned, 2 h on 2027-03-06\n/,
    )
    expect([status, stderr]).toEqual([
      6,
      expect.stringMatching(/^Billed 0\.\d\d EUR more than planned: over 0\.10\.$/m),
    ])
    expect((await compare(twoHours, '--threshold', '5')).status).toBe(0)
  })

  test('the column adds up as it is shown', async () => {
    const dearer = (rows: readonly Row[]): Row[] =>
      rows.map((row, i) =>
        i % 3 === 0 ? { ...row, EffectiveCost: String(Number(row.EffectiveCost) * 1.013) } : row,
      )
    const { stdout } = await compare(dearer)
    const column = lines(stdout).filter((line) => line.includes(' EUR '))
    const cents = column.map((line) => Math.round(Number.parseFloat(line.trim()) * 100))
    const causes = cents.slice(1, -1)
    expect(causes.length).toBeGreaterThan(5)
    expect(cents[0]! + causes.reduce((sum, each) => sum + each, 0)).toBe(cents.at(-1))
  })

  test('JSON follows its schema, and its causes add up', async () => {
    const { stdout } = await compare((rows) => twoHours(rows).slice(5), '--format', 'json')
    const report = JSON.parse(stdout) as ComparisonReport
    const schema = JSON.parse(readFileSync('docs/formats/bill-comparison.schema.json', 'utf8')) as object
    const check = new Ajv({ allErrors: true }).compile(schema)
    expect([check(report), check.errors]).toEqual([true, null])
    for (const { causes, difference } of report.currencies) {
      expect(causes.reduce((sum, { amount }) => sum + Number(amount), 0)).toBeCloseTo(Number(difference), 9)
    }
    expect(report.currencies[0]!.causes.length).toBeGreaterThan(1)
  })

  test('another month stays apart, and bad input ends with 2', async () => {
    const february = (rows: readonly Row[]): Row[] =>
      rows.map((row) => ({ ...row, BillingPeriodStart: '2027-02-01T12:00:00Z' }))
    const { stdout } = await compare(february)
    expect(stdout).toContain('of the period that begins on 2027-02-01')
    expect(stdout).toContain('is planned, and not on the bill')
    expect(await compare((rows) => rows, '--threshold', 'much')).toMatchObject({ status: 2, stdout: '' })
    expect(await compare((rows) => rows, '--reading', '730-hours')).toMatchObject({ status: 2, stdout: '' })
  })
})
