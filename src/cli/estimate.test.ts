import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import type { EstimateReport } from './estimateReport.ts'

const PLAN = 'data/larkspur-trams.json'
const BOOK = 'data/fennmark.json'

function estimate(...args: string[]) {
  const { status, stdout, stderr } = spawnSync('node_modules/.bin/tsx', ['src/cli/estimate.ts', ...args], {
    encoding: 'utf8',
  })
  return { status, stdout, stderr }
}

const folder = mkdtempSync(join(tmpdir(), 'notchgauge-cli-'))
const file = (name: string, text: string): string => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

describe('the command line', () => {
  test('prices one machine, line by line', () => {
    const args = ['--plan', PLAN, '--book', BOOK, '--month', '2027-03', '--machine', 'timetable-loadgen']
    const { status, stdout } = estimate(...args, '--format', 'json')
    expect(status).toBe(0)
    const report = JSON.parse(stdout) as EstimateReport
    const [machine] = report.machines
    expect(machine).toMatchObject({ name: 'timetable-loadgen', total: '58.171559' })
    expect(machine!.lines.map(({ meter, amount }) => [meter, amount])).toEqual([
      ['compute', '45.633159'],
      ['disk', '9.86'],
      ['address', '1.883628'],
      ['address', '0.794772'],
    ])
    expect(Object.values(machine!.secondsByPhase).reduce((sum, time) => sum + time, 0)).toBe(744 * 3_600)
  })

  test('prints a table whose machines add up to its total', () => {
    const { status, stdout } = estimate('--plan', PLAN, '--book', BOOK, '--month', '2027-03')
    expect(status).toBe(0)
    const rows = stdout.trim().split('\n').slice(3)
    const micro = (text: string): number => Math.round(Number(text) * 1e6)
    const months = rows.map((row) => micro(row.split(/ {2,}/)[2]!))
    const total = Number(rows.at(-1)!.split(/ {2,}/)[1])
    expect(rows).toHaveLength(8)
    expect(months.slice(0, -1).reduce((sum, month) => sum + month, 0) / 1e6).toBeCloseTo(total, 5)
  })

  test.each<[string, string[], RegExp]>([
    [
      'a month that is none',
      ['--plan', PLAN, '--book', BOOK, '--month', '2027-13'],
      /--month: Found "2027-13"/,
    ],
    [
      'a machine that is not there',
      ['--plan', PLAN, '--book', BOOK, '--month', '2027-03', '--machine', 'x'],
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
})
