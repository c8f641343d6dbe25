import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { METERS } from '../core/meter/charge.ts'
import { parseDecimal, toDecimal, trimDecimal } from '../core/quantity/decimal.ts'
import { add, compare, multiply, ZERO, type Exact } from '../core/quantity/exact.ts'
import { ZONE_RELEASE } from '../core/calendar/zoneData.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { CommandRun } from './CommandRun.ts'
import { runCommand } from './runCommand.ts'
import type { EstimateReport } from '../files/estimate/estimateReport.ts'

const PLAN = 'data/larkspur-trams.json'
const BOOK = 'data/fennmark.json'
const BOOKS = 'data'

/** In this process, as a program would be run. */
function estimate(...args: string[]) {
  const said = { stdout: '', stderr: '' }
  const run = new CommandRun(
    (text) => (said.stdout += text),
    (text) => (said.stderr += text),
  )
  return { status: runCommand(args, run), ...said }
}

const valueAt = (document: unknown, pointer: string): unknown =>
  pointer
    .slice(1)
    .split('/')
    .reduce((value, step) => (value as Record<string, unknown>)[step], document)

const folder = mkdtempSync(join(tmpdir(), 'notchgauge-cli-'))
const file = (name: string, text: string): string => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

describe('the command line', () => {
  test.each([
    ['a month', [], 0],
    ['a question that will not do', ['--month', '2027-13'], 2],
  ])('is run as the manual says: %s', (_, more, ends) => {
    const args = ['--plan', PLAN, '--book', BOOKS, '--month', '2027-03', '--format', 'json', ...more]
    const { status, stdout, stderr } = spawnSync('npm', ['run', '--silent', 'estimate', '--', ...args], {
      encoding: 'utf8',
    })
    const inProcess = estimate(...args)
    expect([status, stdout]).toEqual([ends, inProcess.stdout])
    expect(stderr).toContain(inProcess.stderr)
  })

  test('writes the month as a bill that adds up to it, and refuses one of 730 hours', () => {
    const args = ['--plan', PLAN, '--book', BOOKS, '--month', '2027-03', '--machine', 'timetable-loadgen']
    const { status, stdout } = estimate(...args, '--format', 'focus', '--by', 'hour')
    const rows = Papa.parse<Record<string, string>>(stdout, { header: true, skipEmptyLines: true }).data
    const cost = rows.reduce((sum, { EffectiveCost }) => add(sum, parseDecimal(EffectiveCost!)!), ZERO)
    const report = JSON.parse(estimate(...args, '--format', 'json').stdout) as EstimateReport
    expect([status, trimDecimal(toDecimal(cost, 12))]).toEqual([0, report.machines[0]!.total])
    const refused = estimate(...args, '--format', 'focus', '--reading', '730-hours')
    expect(refused).toMatchObject({ status: 2, stdout: '', stderr: expect.stringContaining('--reading') })
  })

  test('prices one machine, line by line', () => {
    const args = ['--plan', PLAN, '--book', BOOKS, '--month', '2027-03', '--machine', 'timetable-loadgen']
    const { status, stdout } = estimate(...args, '--format', 'json')
    expect(status).toBe(0)
    const report = JSON.parse(stdout) as EstimateReport
    const [machine] = report.machines
    expect(machine).toMatchObject({ name: 'timetable-loadgen', total: '58.171559' })
    expect(machine!.lines.map(({ meter, amount }) => [meter, amount])).toEqual([
      ['compute', '45.633159'],
      ['disk', '9.86'],
      ['address', '0.794772'],
      ['address', '1.883628'],
    ])
    expect(Object.values(machine!.secondsByPhase).reduce((sum, time) => sum + time, 0)).toBe(744 * 3_600)
  })

  test.each(['calendar', '730-hours'])(
    'prices all machines over all books and adds them up, read as %s',
    (reading) => {
      const args = ['--plan', PLAN, '--book', BOOKS, '--month', '2027-03', '--reading', reading]
      const report = JSON.parse(estimate(...args, '--format', 'json').stdout) as EstimateReport
      expect([report.reading, report.machines.length]).toEqual([reading, 14])
      expect(new Set(report.machines.map(({ provider }) => provider)).size).toBe(4)
      const exactly = (text: string): Exact => parseDecimal(text)!
      for (const { lines, total } of report.machines) {
        const sum = lines.reduce((all, { amount }) => add(all, exactly(amount)), ZERO)
        expect(compare(sum, exactly(total))).toBe(0)
      }
      const dollars = exactly('0.9184')
      const total = report.machines.reduce((sum, { currency, total: own }) => {
        const amount = exactly(own)
        return add(sum, currency === 'EUR' ? amount : multiply(amount, dollars))
      }, ZERO)
      expect(toDecimal(total, 9)).toBe(toDecimal(exactly(report.total.planned), 9))
    },
  )

  test('each line explains itself: rule, quantity, and where its rate stands', () => {
    const args = ['--plan', PLAN, '--book', BOOKS, '--month', '2027-03', '--format', 'json']
    const report = JSON.parse(estimate(...args).stdout) as EstimateReport
    const lines = report.machines.flatMap((machine) => machine.lines)
    const books = DEMO_BOOKS.map((book) => [book.provider.id, book] as const)
    for (const { provider, lines: own } of report.machines) {
      const book = new Map(books).get(provider)
      for (const { rate, rateAt } of own) expect(valueAt(book, rateAt)).toBe(rate)
    }
    const meters = new Set(lines.map(({ meter }) => meter))
    // No provider of the demo has a minimum for a month.
    expect([...meters, 'minimum'].sort()).toEqual([...METERS].sort())
    const waivers = new Set(lines.flatMap(({ waived }) => (waived ? [waived.by] : [])))
    expect([...waivers].sort()).toEqual(['allowance', 'cap', 'included', 'own-licence'])
    expect(lines.some(({ band, meter }) => band?.share === '0.9' && meter === 'compute')).toBe(true)
  })

  test('prices a month by the edition that is valid in it', () => {
    const price = (month: string) =>
      (
        JSON.parse(
          estimate(
            '--plan',
            PLAN,
            '--book',
            BOOKS,
            '--month',
            month,
            '--machine',
            'axle-counter-sim',
            '--format',
            'json',
          ).stdout,
        ) as EstimateReport
      ).machines[0]!.edition
    expect([price('2027-06'), price('2027-07')]).toEqual(['2026-10', '2027-07'])
  })

  test('prints a table with its total', () => {
    const { status, stdout } = estimate(
      '--plan',
      PLAN,
      '--book',
      BOOKS,
      '--month',
      '2027-03',
      '--reading',
      '730-hours',
    )
    expect([status, stdout.split('\n')[0]]).toEqual([
      0,
      'Larkspur Trams, depot test bench, 2027-03, read as 730 hours',
    ])
    expect(stdout.trim().split('\n').at(-1)).toMatch(/^total( +\d+\.\d+){5} {2}EUR$/)
  })

  test.each<[string, string[], RegExp]>([
    [
      'a month that is none',
      ['--plan', PLAN, '--book', BOOK, '--month', '2027-13'],
      /--month: Found "2027-13"/,
    ],
    [
      'a machine that is not there',
      ['--plan', PLAN, '--book', BOOKS, '--month', '2027-03', '--machine', 'x'],
      /signal-replay/,
    ],
    [
      'a file that is not there',
      ['--plan', 'nowhere.json', '--book', BOOK, '--month', '2027-03'],
      /nowhere\.json: .*cannot be read/,
    ],
    [
      'a book in place of a plan',
      ['--plan', BOOK, '--book', BOOK, '--month', '2027-03'],
      /fennmark\.json: \/format: .*another kind/,
    ],
    [
      'a month that no book is valid in',
      ['--plan', PLAN, '--book', BOOKS, '--month', '2026-05'],
      /No price book of "fennmark" is valid in 2026-05; at hand are from 2027-01-01/,
    ],
    [
      'a machine whose book is not valid in the month',
      ['--plan', PLAN, '--book', BOOKS, '--month', '2026-11', '--machine', 'signal-replay'],
      /is valid in 2026-11/,
    ],
    ['no book', ['--plan', PLAN, '--month', '2027-03'], /--book/],
    [
      'a broken plan',
      ['--plan', file('broken.json', '{"format":'), '--book', BOOK, '--month', '2027-03'],
      /ends in the middle/,
    ],
  ])('answers %s with status 2 and a sentence', (_, args, message) => {
    const { status, stdout, stderr } = estimate(...args)
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toMatch(message)
  })

  test('fails a month over its budget with status 3, and one within it with 0', () => {
    const args = [
      '--plan',
      PLAN,
      '--book',
      BOOKS,
      '--month',
      '2027-03',
      '--format',
      'markdown',
      '--fail-over',
    ]
    const over = estimate(...args, '600')
    const [, total] = /The month costs (\d+\.\d\d) EUR: more than 600\.\n/.exec(over.stderr)!
    expect(over.status).toBe(3)
    expect(over.stdout).toContain(`| total |  | 142.41 | 357.82 | 324.31 | ${total} |`)
    // What is shown is compared, and not what is behind it.
    expect(estimate(...args, total!).status).toBe(0)
    expect(estimate(...args, (Number(total) - 0.01).toFixed(2)).status).toBe(3)
    expect(estimate(...args, 'much').status).toBe(2)
  })

  test('prints CSV with the lines, machines and the plan', () => {
    const { stdout } = estimate('--plan', PLAN, '--book', BOOKS, '--month', '2027-03', '--format', 'csv')
    const rows = stdout.trim().split('\r\n')
    expect(rows[0]).toMatch(/^"row","machine",/)
    expect(rows.filter((row) => row.startsWith('"machine",'))).toHaveLength(14)
    expect(rows.at(-2)).toBe(
      '"plan",,,,,,824.546621257378,1281.05017696,142.408810571156,357.80909782711,324.328712859112,456.503555702622,"EUR",,,,,',
    )
    expect(rows.at(-1)).toBe(`"time zone data",,,"${ZONE_RELEASE}",,,,,,,,,,,,,,`)
  })

  test('prints a table to the cent that adds up, and to the last digit where it is asked to', () => {
    const args = ['--plan', PLAN, '--book', BOOKS, '--month', '2027-03']
    const figures = (stdout: string) =>
      stdout
        .split('\n')
        .map((row) => / (\d+\.\d+) +\d+\.\d+ {2}(EUR|USD)$/.exec(row))
        .flatMap((row) => (row ? [{ amount: row[1]!, currency: row[2]! }] : []))
    const cents = figures(estimate(...args).stdout)
    expect(cents).toHaveLength(15)
    expect(cents.every(({ amount }) => /\.\d\d$/.test(amount))).toBe(true)
    const exact = figures(estimate(...args, '--digits', '12').stdout)
    expect(exact.at(-1)!.amount).toBe('824.546621257378')
    expect(estimate(...args, '--digits', '3').status).toBe(2)
  })

  test('prices a month without the machines whose book ends, names them, and ends with status 5', () => {
    const args = ['--plan', PLAN, '--book', BOOKS, '--month', '2026-11']
    const { status, stdout, stderr } = estimate(...args, '--format', 'json')
    const report = JSON.parse(stdout) as EstimateReport
    expect([status, report.machines.length, report.unpriced.length]).toEqual([5, 1, 13])
    expect(stderr).toMatch(/^signal-replay is in no total: No price book of "fennmark" is valid in 2026-11/m)
    expect(estimate(...args).stdout).toMatch(/^without signal-replay: No price book/m)
    // Over the budget says so first.
    expect(estimate(...args, '--fail-over', '1').status).toBe(3)
    expect(estimate(...args, '--fail-over', '10000').status).toBe(5)
  })

  test('a month before any edition is one line a provider', () => {
    const { stderr } = estimate('--plan', PLAN, '--book', BOOKS, '--month', '2026-05')
    expect(stderr.trim().split('\n').map((line) => /No price book of "([^"]+)"/.exec(line)?.[1]).sort()).toEqual([
      'fennmark', 'plinthouse', 'quarry-row', 'tidewright',
    ]) // prettier-ignore
  })

  test('help says what must be given', () => {
    const { stdout } = estimate('--help')
    for (const option of ['--plan', '--book', '--month'])
      expect(stdout.replace(/\s+/g, ' ')).toMatch(new RegExp(`${option} <[^>]+> [^<]*\\(required\\)`))
  })

  test('compares two plans line by line', () => {
    const plan = readFileSync(PLAN, 'utf8')
    const changed = file('changed.json', plan.replace('"off": "stopped"', '"off": "deallocated"'))
    const { status, stdout } = estimate('compare', PLAN, changed, '--book', BOOKS, '--month', '2027-03')
    expect(status).toBe(0)
    const rows = stdout.split('\n').map((row) => row.trim().split(/ {2,}/))
    expect(rows[1]!.slice(0, 2)).toEqual(['crew-roster-db', '144.75'])
    expect(rows.map(([what]) => what)).toContain('compute')
    expect(stdout).toContain('13 of the machines are the same in both.')
    const same = estimate('compare', PLAN, PLAN, '--book', BOOKS, '--month', '2027-03')
    expect(same.stdout).toContain('14 of the machines are the same in both.')
  })

  test('prints the watch list, and fails with status 4 where a problem is open', () => {
    const severe = estimate('check', '--plan', PLAN, '--book', BOOKS, '--month', '2027-03')
    expect(severe.status).toBe(4)
    expect(severe.stdout).toMatch(/^problem: /m)
    const plan = JSON.parse(readFileSync(PLAN, 'utf8')) as { machines: { name: string }[] }
    const calm = { ...plan, machines: plan.machines.filter(({ name }) => name === 'notice-board') }
    const quiet = estimate(
      'check',
      '--plan',
      file('calm.json', JSON.stringify(calm)),
      '--book',
      BOOKS,
      '--month',
      '2027-03',
    )
    expect([quiet.status, quiet.stdout.trim().split('\n').at(-1)]).toEqual([
      0,
      expect.stringMatching(/ open, 0 of them problems\.$/),
    ])
  })
})
