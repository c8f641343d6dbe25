import Papa from 'papaparse'
import { expect, test } from 'vitest'
import { parseDecimal } from '../core/quantity/decimal.ts'
import { compare } from '../core/quantity/exact.ts'
import type { EstimateReport } from '../files/estimate/estimateReport.ts'
import type { MarketReport } from '../files/market/marketReport.ts'
import { CommandRun, EXIT } from './CommandRun.ts'
import { runMarket } from './market.ts'
import { runCommand } from './runCommand.ts'

const QUESTION = ['--plan', 'data/larkspur-trams.json', '--book', 'data', '--month', '2027-03']

function newRun() {
  const said = { stdout: '', stderr: '' }
  const run = new CommandRun(
    (text) => (said.stdout += text),
    (text) => (said.stderr += text),
  )
  return { said, run }
}

async function market(...args: string[]) {
  const { said, run } = newRun()
  return { status: await runMarket([...QUESTION, ...args], run), ...said }
}

test('the machine as it is costs what its estimate says, and the cheapest come in order', async () => {
  const { status, stdout } = await market('--machine', 'timetable-loadgen', '--format', 'json', '--top', '30')
  expect(status).toBe(0)
  const report = JSON.parse(stdout) as MarketReport
  const { said, run } = newRun()
  runCommand([...QUESTION, '--machine', 'timetable-loadgen', '--format', 'json'], run)
  expect(report.now.total).toBe((JSON.parse(said.stdout) as EstimateReport).machines[0]!.total)
  expect(report.cheapest).toHaveLength(30)
  const totals = report.cheapest.map(({ total }) => parseDecimal(total)!)
  expect(totals.toSorted(compare)).toEqual(totals)
  expect(report.needs.map(({ need }) => need)).toContain('keep-memory')
})

test('CSV and table hold the same offers', async () => {
  const csv = await market('--machine', 'signal-replay', '--format', 'csv', '--top', '5')
  const { data } = Papa.parse<Record<string, string>>(csv.stdout.trim(), { header: true })
  expect(data.map(({ rank }) => rank)).toEqual(['0', '1', '2', '3', '4', '5'])
  const table = await market('--machine', 'signal-replay', '--top', '5', '--digits', '12')
  for (const { rank, month, provider, 'less now': less } of data) {
    const line = table.stdout.split('\n').find((each) => each.includes(month!))
    expect(line).toContain(provider)
    // To the last digit, the difference too.
    if (rank !== '0') expect(line).toContain(` ${less} `)
  }
})

test('what is asked wrongly is answered with what, where and what would do', async () => {
  const nobody = await market('--machine', 'nobody')
  expect(nobody).toMatchObject({ status: EXIT.badInput, stdout: '' })
  expect(nobody.stderr).toMatch(/larkspur-trams.json: \/machine: There is no machine "nobody".*signal-replay/)
  for (const top of ['0', '1e9', '-3', '1001']) {
    const wrong = await market('--machine', 'signal-replay', '--top', top)
    expect(wrong).toMatchObject({ status: EXIT.badInput, stdout: '' })
    expect(wrong.stderr).toContain(`--top: Found "${top}". Expected: a whole number from 1 to 1000.`)
  }
})
