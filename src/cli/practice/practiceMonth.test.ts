import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { parseDate } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { isNeverOff } from '../../core/off/offPlan.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { toDecimal } from '../../core/quantity/decimal.ts'
import { add, ZERO } from '../../core/quantity/exact.ts'
import { instant } from '../../core/quantity/units.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { readerInstant } from '../../core/testing/zoneReader.ts'
import { billNumber } from '../../core/bill/billNumber.ts'
import { readPlan } from '../../files/plan/planFile.ts'
import { exportSchedule, type ScheduleFormat } from '../../files/timers/exportSchedule.ts'
import { readUnits } from '../../files/testing/readTimers.ts'
import { CommandRun } from '../CommandRun.ts'
import { runPractice } from './practiceCommand.ts'
import { SteppedShell } from './testing/SteppedShell.ts'

const MONTH = '2027-03' as YearMonth
const BOOK = 'data/fennmark.json'
const PLAN = 'data/larkspur-trams.json'
const FROM = Date.parse('2027-03-01T00:00Z') / 1_000
const TO = Date.parse('2027-04-01T00:00Z') / 1_000
const ENDS = Date.parse('2027-04-02T00:00Z') / 1_000

const read = readPlan(readFileSync(PLAN, 'utf8'))
if (!read.ok) throw new Error(JSON.stringify(read.issues))
const plan = read.value
const own = plan.machines.filter(
  ({ provider, ...machine }) => provider === 'fennmark' && !isNeverOff(machine),
)

/** What the plan says of its machines at that provider, to the last digit. */
const planned = (() => {
  const pricing = new PlanPricing({ plan, books: DEMO_BOOKS, month: MONTH, reading: 'calendar' })
  const totals = plan.machines
    .filter(({ provider }) => provider === 'fennmark')
    .map((machine) => {
      const result = pricing.of(machine)
      if (!result.ok) throw new Error(JSON.stringify(result.issues))
      return toDecimal(result.estimate.total, 12)
    })
  return totals.reduce((sum, text) => add(sum, billNumber(text)!), ZERO)
})()

const folder = mkdtempSync(join(tmpdir(), 'notchgauge-practice-'))
/** The command that a template names, and a quick one that writes down what it was told. */
const POWER = `node ${join(process.cwd(), 'scripts/power.mjs')} {action} {machine} {region}`
const TOLD = join(folder, 'told')
const TELL = `echo {action} {machine} {region} >> ${TOLD}`

interface WeekFiles {
  readonly week: WeekPlan
  readonly exported: ReturnType<typeof exportSchedule>
  /** Path of the script. */
  readonly script: string
}

/** The files of every week on which machines of the provider are switched, as the hand-off exports them. */
function filesFor(format: ScheduleFormat, command = TELL): WeekFiles[] {
  return plan.weeks.flatMap((week) => {
    const machines = own.filter((machine) => machine.week === week.id)
    if (machines.length === 0) return []
    const exported = exportSchedule({
      format,
      week,
      machines,
      safetyNet: false,
      from: parseDate('2027-02-26')!,
      to: parseDate('2027-04-03')!,
      commands: Object.fromEntries(
        (['start', 'stop', 'deallocate', 'hibernate', 'create', 'delete'] as const).map((action) => [
          action,
          command,
        ]),
      ),
      scriptPath: '/opt/power.sh',
      base: week.id,
      made: instant(FROM),
    })
    const text = exported.files.find(({ name }) => name.endsWith('.sh'))!.text
    const script = join(folder, `${week.id}-${format}.sh`)
    writeFileSync(script, text)
    return [{ week, exported, script }]
  })
}

interface Step {
  readonly at: number
  readonly script: string
  readonly zone: string
  readonly args: readonly string[]
}

/** Days on which cron’s every question is asked; on others those that are known to be answered. */
const WHOLE_DAYS = ['2027-03-01', '2027-03-27', '2027-03-28', '2027-03-29']

/** What the crontab’s line asks for, on a host in UTC. */
function cronSteps(files: WeekFiles): Step[] {
  const { week, exported, script } = files
  const line = exported.files[0]!.text.split('\n').find((each) => each !== '' && !each.startsWith('#'))!
  const minutes = line.split(' ')[0]!.split(',').map(Number)
  const known = new Set(timerSteps(timersOf(week)).map(({ at }) => at))
  const steps: Step[] = []
  for (let hour = FROM; hour < ENDS; hour += 3_600) {
    const isWhole = WHOLE_DAYS.includes(new Date(hour * 1_000).toISOString().slice(0, 10))
    for (const minute of minutes) {
      const at = hour + minute * 60
      if (isWhole || known.has(at)) steps.push({ at, script, zone: week.timeZone, args: ['due'] })
    }
  }
  return steps
}

const timersOf = (week: WeekPlan): WeekFiles => filesFor('systemd').find((files) => files.week === week)!

const timerSteps = ({ week, exported, script }: WeekFiles): Step[] =>
  readUnits(exported.files, exported.plan).map(({ id, zone, date, hour, minute }) => {
    const local = Date.UTC(date.year, date.month - 1, date.day, hour, minute) / 1_000
    return { at: readerInstant(zone, local), script, zone: week.timeZone, args: [id] }
  })

/** The script that brings machines into the state for now, run by hand whenever something changes. */
const byHand = ({ week, script }: WeekFiles): Step[] =>
  timerSteps(timersOf(week)).map((step) => ({ ...step, script, args: [] }))

let close = (): void => undefined
let base = ''

async function startService(): Promise<void> {
  const said: string[] = []
  const run = new CommandRun(
    (text) => said.push(text),
    (text) => said.push(text),
  )
  const args = ['--book', BOOK, '--plan', PLAN, '--at', '2027-03-01T00:00Z', '--port', '0']
  await runPractice(args, run, (server) => {
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    close = () => void server.close()
  })
  expect(said.join('')).toContain(base)
}

/** Tells the service what a script would have told it. */
async function passOn(): Promise<void> {
  if (!existsSync(TOLD)) return
  for (const line of readFileSync(TOLD, 'utf8').trimEnd().split('\n')) {
    const [action, machine, region] = line.split(' ')
    const told = await fetch(`${base}/machines/${region}/${machine}/power`, {
      method: 'POST',
      body: JSON.stringify({ action }),
    })
    expect([line, told.status]).toEqual([line, 200])
  }
  rmSync(TOLD)
}

const setClock = (at: number) =>
  fetch(`${base}/clock`, {
    method: 'PUT',
    body: JSON.stringify({ at: new Date(at * 1_000).toISOString().replace('.000', '') }),
  })

beforeAll(startService)
afterAll(() => close())

describe('exported schedules drive the practice provider through a month with a clock change', () => {
  test.each<[ScheduleFormat, (files: WeekFiles) => Step[]]>([
    ['crontab', cronSteps],
    ['systemd', timerSteps],
    ['apply-now', byHand],
  ])('%s: the bill is the plan’s, to the last digit', async (format, stepsOf) => {
    close()
    await startService()
    const steps = filesFor(format)
      .flatMap(stepsOf)
      .filter(({ at }) => at >= FROM && at < ENDS)
      .sort((a, b) => a.at - b.at)
    const shell = new SteppedShell({ NOTCHGAUGE_PRACTICE: base })
    for (const { at, script, args, zone } of steps) {
      expect((await setClock(at)).status).toBe(200)
      await shell.run(script, args, at, zone)
      await passOn()
    }
    shell.close()
    expect(shell.said.join('')).toBe('')
    await setClock(ENDS)
    const bill = await (await fetch(`${base}/bill?month=2027-03`)).text()
    const rows = Papa.parse<Record<string, string>>(bill, { header: true, skipEmptyLines: true }).data
    const billed = rows.reduce((sum, row) => add(sum, billNumber(row.EffectiveCost!)!), ZERO)
    expect(toDecimal(billed, 12)).toBe(toDecimal(planned, 12))
    expect(rows.every(({ ChargePeriodEnd }) => Date.parse(ChargePeriodEnd!) / 1_000 <= TO)).toBe(true)
  })

  test('the command that a template names switches the machine', async () => {
    close()
    await startService()
    const [files] = filesFor('systemd', POWER)
    const step = timerSteps(files!).find(({ at }) => at > FROM)!
    await setClock(step.at)
    const shell = new SteppedShell({ NOTCHGAUGE_PRACTICE: base })
    await shell.run(step.script, step.args, step.at, step.zone)
    shell.close()
    expect(shell.said.join('')).toBe('')
    const events = (await (await fetch(`${base}/events`)).json()) as { machine: string; action: string }[]
    const machines = own.filter(({ week }) => week === files!.week.id)
    expect(events.map(({ machine, action }) => `${action} ${machine}`).sort()).toEqual(
      machines.map(({ name }) => `start ${name}`).sort(),
    )
  })
})
