import { expect } from '@playwright/test'
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CommandRun } from '../src/cli/CommandRun.ts'
import { runCommand } from '../src/cli/runCommand.ts'
import { Workbench } from './workbench'
import { test } from './openedPage'

/** What the command line prints, run in this process. */
function printed(args: readonly string[]): string {
  let text = ''
  const run = new CommandRun(
    (part) => (text += part),
    (complaint) => {
      throw new Error(complaint)
    },
  )
  runCommand([...args], run)
  return text
}

/** A book of the demo with other times or meters of a state: a JSON document before it is checked. */
interface BookInFile {
  provider: { id: string; name: string }
  states: Record<string, Record<string, unknown>>
}

const ASHLAR = {
  purpose: 'figures that were worked out elsewhere',
  needs: { vcpu: 1, memoryGiB: 1, iops: 0 },
  provider: 'plinthouse',
  region: 'gdynia',
  zone: 'a',
  size: 'ashlar-1-1',
  image: 'fellside-12',
  terms: 'flat',
  systemDisk: { goes: true, kind: 'bedding', roomGiB: 20 },
  dataDisks: [],
  address: 'none',
} as const

const WEEKS = [
  {
    id: 'two-days',
    name: 'Two long days',
    timeZone: 'America/St_Johns',
    windows: { thu: [{ from: '11:00', to: '03:40+1' }], fri: [{ from: '11:00', to: '03:40+1' }] },
  },
  {
    id: 'a-minute-apart',
    name: 'A minute apart',
    timeZone: 'Etc/UTC',
    windows: {
      mon: [
        { from: '09:00', to: '09:01' },
        { from: '09:02', to: '10:00' },
      ],
    },
  },
  { id: 'never', name: 'Never', timeZone: 'Etc/UTC', windows: {} },
  {
    id: 'friday-night',
    name: 'Friday night',
    timeZone: 'Etc/UTC',
    windows: { fri: [{ from: '18:00', to: '06:00+1' }] },
    startEarlyMinutes: 5,
    autoShutdown: { at: '18:00', days: ['fri'] },
  },
]

const MACHINES = [
  {
    ...ASHLAR,
    name: 'through-stops',
    size: 'ashlar-12-48',
    terms: 'by-the-month',
    systemDisk: { goes: true, kind: 'bedding', roomGiB: 480 },
    week: 'two-days',
    off: 'deleted',
    longGaps: [{ fromMinutes: 900, off: 'stopped' }],
  },
  {
    ...ASHLAR,
    name: 'restored',
    provider: 'fennmark',
    size: 'wren-1-1',
    terms: 'on-demand',
    systemDisk: {
      goes: true,
      kind: 'millstone',
      roomGiB: 32,
      snapshots: { every: 'week', kept: 1, changedPercent: 0 },
    },
    week: 'a-minute-apart',
    off: 'deleted',
  },
  {
    ...ASHLAR,
    name: 'flat',
    provider: 'plinthouse-too',
    terms: 'by-the-month',
    week: 'never',
    off: 'stopped',
  },
  { ...ASHLAR, name: 'early', week: 'friday-night', off: 'deleted' },
]

/** What each machine costs in a month, to the last digit, worked out by hand from the books' prices. */
const WORKED_OUT: readonly (readonly [string, string, string])[] = [
  // Four runs of 6 d 16 h 40 min 20 s end in June, each rounded up by 1,180 s.
  ['through-stops', '2027-06', '70.526333333333'],
  // Five Mondays of 3,660 s, the time that deleting takes among them: 5 h 5 min at 0.0146 and the disk's 0.97 a month;
  // 6 GiB of snapshots at 0.0392 the whole month, put back ten times at 0.01 a GiB.
  ['restored', '2027-03', '0.916044130824'],
  // A flat plan is charged while there is a machine, whatever the state table says.
  ['flat', '2027-03', '3'],
  // Four Fridays, each 12 h and 5 min: 52 begun hours at 0.0048.
  ['early', '2027-03', '0.2496'],
]

async function changedBook(id: string, change: (book: BookInFile) => void): Promise<string> {
  const book = JSON.parse(await readFile(`data/${id}.json`, 'utf8')) as BookInFile
  change(book)
  return JSON.stringify(book)
}

test('figures that were worked out by hand are the screen’s and the command line’s, to the last digit', async ({
  page,
}) => {
  const plan = {
    format: 'notchgauge/plan/1',
    name: 'Worked out',
    currency: 'EUR',
    month: '2027-03',
    weeks: WEEKS,
    machines: MACHINES,
  }
  const files = new Map([
    [
      'fennmark.json',
      await changedBook('fennmark', ({ states }) => {
        states.deleted!.leave = { seconds: 60 }
      }),
    ],
    [
      'plinthouse-too.json',
      await changedBook('plinthouse', ({ provider, states }) => {
        provider.id = 'plinthouse-too'
        states.stopped!.compute = false
      }),
    ],
    ['plinthouse.json', await readFile('data/plinthouse.json', 'utf8')],
    ['plan.json', JSON.stringify(plan)],
  ])
  const folder = await mkdtemp(join(tmpdir(), 'figures-'))
  for (const [name, text] of files) await writeFile(join(folder, name), text)

  const bench = new Workbench(page)
  await bench.open('/?view=gauge')
  for (const name of files.keys()) {
    await page.getByLabel('Plan, price book or inventory to import').setInputFiles(join(folder, name))
    await page.getByRole('status').getByRole('button', { name: 'Close' }).click()
  }
  await bench.saved()

  const books = [...files.keys()].filter((name) => name !== 'plan.json')
  const said: [string, string, string][] = []
  for (const [name, month] of WORKED_OUT) {
    await bench.turnTo(`/?view=month&month=${month}&machine=${name}`)
    await bench.priced()
    const asked = [
      '--month',
      month,
      '--machine',
      name,
      '--plan',
      join(folder, 'plan.json'),
      '--format',
      'json',
    ]
    const from = books.flatMap((book) => ['--book', join(folder, book)])
    const { machines } = JSON.parse(printed([...asked, ...from])) as { machines: { total: string }[] }
    said.push([name, await bench.exactTotal(), machines[0]!.total])
  }
  await rm(folder, { recursive: true })
  expect(said).toEqual(WORKED_OUT.map(([name, , total]) => [name, total, total]))
})
