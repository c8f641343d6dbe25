import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
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

test('takes an offer: the plan that it writes costs what was listed, and nothing else changes', async () => {
  const out = join(mkdtempSync(join(tmpdir(), 'notchgauge-take-')), 'taken.json')
  const args = ['--machine', 'signal-replay', '--format', 'json', '--top', '300']
  const { cheapest } = JSON.parse((await market(...args)).stdout) as MarketReport
  // One in the currency in which the market is listed.
  const at = cheapest.findIndex(({ providerId }) => providerId === 'fennmark')
  const offer = cheapest[at]!
  const { status } = await market(...args, '--take', String(at + 1), '--out', out)
  expect(status).toBe(0)
  const estimate = (plan: string) => {
    const { said, run } = newRun()
    runCommand(['--plan', plan, ...QUESTION.slice(2), '--format', 'json'], run)
    return JSON.parse(said.stdout) as EstimateReport
  }
  const taken = estimate(out).machines.find(({ name }) => name === 'signal-replay')!
  expect(taken).toMatchObject({ provider: offer.providerId, total: offer.total })
  const written = JSON.parse(readFileSync(out, 'utf8')) as { machines: { name: string; terms: string }[] }
  expect(written.machines.find(({ name }) => name === 'signal-replay')!.terms).toBe(offer.termsId)
  for (const wrong of [
    ['--take', '301', '--out', out],
    ['--take', '1'],
    ['--out', out],
    ['--take', 'x', '--out', out],
  ])
    expect(await market(...args, ...wrong)).toMatchObject({ status: EXIT.badInput, stdout: '' })
})
