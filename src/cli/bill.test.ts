import Ajv from 'ajv'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import type { BillReport } from '../files/bill/billReport.ts'
import { parseDecimal, toDecimal } from '../core/quantity/decimal.ts'
import { add, ZERO } from '../core/quantity/exact.ts'
import { runBill } from './bill.ts'
import { CommandRun } from './CommandRun.ts'
import { runCommand } from './runCommand.ts'

const folder = mkdtempSync(join(tmpdir(), 'notchgauge-bill-cli-'))

function newRun() {
  const said = { stdout: '', stderr: '' }
  const run = new CommandRun(
    (text) => (said.stdout += text),
    (text) => (said.stderr += text),
  )
  return { said, run }
}

async function bill(...args: string[]) {
  const { said, run } = newRun()
  return { status: await runBill(args, run), ...said }
}

function file(name: string, text: string): string {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

/** The demo’s March as a bill by day. */
function planned(): string {
  const { said, run } = newRun()
  const question = ['--plan', 'data/larkspur-trams.json', '--book', 'data', '--month', '2027-03']
  runCommand([...question, '--format', 'focus'], run)
  return said.stdout
}

const text = planned()
const path = file('march.csv', text)

describe('a bill that does not follow FOCUS', () => {
  const own = file(
    'own.csv',
    'day,vm,what,hours,net\n2027-03-01,web,machine,10,2.067\n2027-03-02,web,machine,10,2.067\n',
  )
  const column = (name: string) => ({ from: 'column', column: name })
  const recipe = {
    format: 'notchgauge/bill-recipe/1',
    provider: 'Own',
    headings: ['day', 'vm', 'what', 'hours', 'net'],
    fields: {
      start: column('day'),
      resource: column('vm'),
      kind: column('what'),
      quantity: column('hours'),
      unit: { from: 'constant', text: 'Hours' },
      cost: column('net'),
      currency: { from: 'constant', text: 'EUR' },
    },
    kinds: [{ text: 'machine', is: 'machine-time' }],
    units: [],
    dates: 'day-first',
    decimalMark: '.',
    tags: [],
  }

  test('is refused as it is, and read by its recipe', async () => {
    const refused = await bill('read', own)
    expect([refused.status, refused.stderr]).toEqual([2, expect.stringContaining('are not there')])
    const { status, stdout, stderr } = await bill(
      'read',
      own,
      '--recipe',
      file('own.json', JSON.stringify(recipe)),
    )
    expect([status, stderr]).toEqual([0, ''])
    expect(stdout).toContain('2 rows, 2 about machines')
    expect(stdout).toMatch(/web +4\.13 {2}EUR/)
  })

  test('a recipe that is none is said with its place', async () => {
    const wrong = file('wrong.json', JSON.stringify({ ...recipe, dates: 'sometimes' }))
    const { status, stderr } = await bill('read', own, '--recipe', wrong)
    expect([status, stderr]).toEqual([2, expect.stringContaining('/dates')])
  })
})

describe('bill read', () => {
  test('prints what a bill holds, the dearest resource first', async () => {
    const { status, stdout, stderr } = await bill('read', path)
    expect([status, stderr]).toEqual([0, ''])
    const lines = stdout.split('\n')
    expect(lines[0]).toMatch(/^\d+ rows, \d+ about machines, \d+ lines, 2027-03-01 to 2027-03-31$/)
    expect(lines.find((line) => line.startsWith('fare-gate-soak'))).toMatch(/ 282\.46 {2}EUR$/)
    expect(lines.findIndex((line) => line.startsWith('fare-gate-soak'))).toBeLessThan(
      lines.findIndex((line) => line.startsWith('notice-board')),
    )
  })

  test('JSON follows its schema and adds up to the rows; CSV is a bill with the same lines', async () => {
    const { stdout } = await bill('read', path, '--format', 'json')
    const report = JSON.parse(stdout) as BillReport
    const schema = JSON.parse(readFileSync('docs/formats/bill.schema.json', 'utf8')) as object
    const check = new Ajv({ allErrors: true }).compile(schema)
    expect([check(report), check.errors]).toEqual([true, null])
    const sum = report.lines
      .filter(({ resourceName }) => resourceName === 'timetable-loadgen')
      .reduce((total, { effective }) => add(total, parseDecimal(effective)!), ZERO)
    expect(toDecimal(sum, 6)).toBe('58.171559')
    const { stdout: csv } = await bill('read', path, '--format', 'csv')
    const again = await bill('read', file('again.csv', csv), '--format', 'json')
    const { lines, resources } = JSON.parse(again.stdout) as BillReport
    const withoutRows = (all: BillReport['lines']) => all.map(({ rows: _, ...line }) => line)
    expect(withoutRows(lines)).toEqual(withoutRows(report.lines))
    expect(resources).toEqual(report.resources)
  })

  test('what is wrong with rows is said beside the answer, and what is no bill ends with 2', async () => {
    const cut = await bill('read', file('cut.csv', text.slice(0, -200)), '--format', 'json')
    expect(cut.status).toBe(0)
    expect(cut.stderr).toMatch(
      /^1 row has too few cells: the file may be cut off, and is left out: .*cut\.csv, row \d+ /,
    )
    const twice = await bill('read', path, path)
    expect(twice.stdout).toContain('is there twice and counted once')
    expect(await bill('read', file('none.csv', 'a,b\n1,2\n'))).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringContaining('ChargePeriodStart'),
    })
    expect(await bill('read', join(folder, 'absent.csv'))).toMatchObject({ status: 2 })
    expect((await bill('read', path, '--zone', 'Nowhere/Land')).stderr).toContain('not a time zone')
    expect((await bill('read')).status).toBe(2)
    expect((await bill('--help')).status).toBe(0)
  })
})
