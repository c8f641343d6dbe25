import { expect, type Page } from '@playwright/test'
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { Workbench } from './workbench'
import { test } from './openedPage'

const DEMO = readFileSync('data/larkspur-trams.json', 'utf8')

interface PlanJson {
  name: string
  month: string
  machines: Record<string, unknown>[]
  weeks: { timeZone: string; windows: Record<string, unknown> }[]
}

const changed = (change: (plan: PlanJson) => void): string => {
  const plan = JSON.parse(DEMO) as PlanJson
  change(plan)
  return JSON.stringify(plan)
}

const pick = (page: Page, name: string, text: string) =>
  page
    .locator('input[aria-label^="Plan, price book"]')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })

async function exported(bench: Workbench, entry: string, path: string): Promise<void> {
  const download = bench.page.waitForEvent('download')
  await bench.choosePlanMenu(entry)
  await (await download).saveAs(path)
}

test('the exported plan and book give the same total on the command line, to the last digit', async ({
  page,
}, info) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=signal-replay&view=week')
  const monday = page.getByRole('textbox', { name: 'Monday, times on' })
  await monday.fill('07:58-18:07')
  await monday.press('Enter')
  await expect.poll(() => bench.exactTotal()).not.toBe('28.213286666667')
  const shown = await bench.exactTotal()

  const [plan, book] = [info.outputPath('plan.json'), info.outputPath('book.json')]
  await exported(bench, 'Export the plan', plan)
  await exported(bench, 'Export the price book Fennmark, 2027-01', book)
  const others = ['tidewright', 'plinthouse', 'quarry-row-2026-10'].flatMap((name) => [
    '--book',
    `data/${name}.json`,
  ])
  const args = ['--plan', plan, '--book', book, ...others, '--month', '2027-03', '--format', 'json']
  const { status, stdout } = spawnSync('npm', ['run', '--silent', 'estimate', '--', ...args], {
    encoding: 'utf8',
  })
  expect(status).toBe(0)
  const report = JSON.parse(stdout) as {
    machines: { name: string; total: string }[]
    total: { planned: string }
  }
  expect(report.machines.find(({ name }) => name === 'signal-replay')?.total).toBe(shown)
  expect(shown).toMatch(/^\d+\.\d{9,12}$/)
})

test('an exported plan that is imported again is the same plan, in one step that can be undone', async ({
  page,
}, info) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=depot-kiosk')
  await bench.choosePlanMenu('Start an empty plan')
  await expect(page.getByRole('heading', { name: 'Whose prices?' })).toBeVisible()
  await pick(page, 'demo.json', DEMO)
  await expect(page.getByText('is open. Undo brings the plan before it back.')).toBeVisible()
  await bench.priced()
  const path = info.outputPath('again.json')
  await exported(bench, 'Export the plan', path)
  expect(readFileSync(path, 'utf8')).toBe(DEMO)
  await bench.undo.click()
  await expect(page.getByRole('heading', { name: 'This plan has no prices yet' })).toBeVisible()
})

test('a file dropped on the page is imported', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  const text = changed((plan) => (plan.name = 'Dropped plan'))
  const transfer = await page.evaluateHandle((content) => {
    const data = new DataTransfer()
    data.items.add(new File([content], 'dropped.json', { type: 'application/json' }))
    return data
  }, text)
  await page.dispatchEvent('body', 'dragover', { dataTransfer: transfer })
  await expect(page.getByText('Drop plans, price books or a table of machines to import them')).toBeVisible()
  await page.dispatchEvent('body', 'drop', { dataTransfer: transfer })
  await expect(page.getByRole('button', { name: 'Plan name: Dropped plan. Rename' })).toBeVisible()
})

test('a price book of another provider can be used beside the first', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  const book = readFileSync('data/fennmark.json', 'utf8')
    .replace('"id": "fennmark"', '"id": "other"')
    .replace('"name": "Fennmark"', '"name": "Other"')
  await pick(page, 'other.json', book)
  await expect(page.getByText('Other, edition 2027-01, is in use from 2027-01-01 on.')).toBeVisible()
  await bench.reload()
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await expect(page.getByRole('menuitem', { name: 'Export the price book Other, 2027-01' })).toBeVisible()
})

const BAD: [string, string, string, string][] = [
  ['not JSON', 'just some words', 'the whole file', 'The file is not JSON'],
  ['a truncated file', DEMO.slice(0, 2_000), 'the whole file', 'ends in the middle'],
  ['JSON of another kind', '{"hello": 1}', '/format', 'does not say that it is ours'],
  ['a newer version', DEMO.replace('plan/1', 'plan/9'), '/format', 'newer Notchgauge (version 9)'],
  ['an unknown size', changed((p) => (p.machines[0]!.size = 'titan-9')), '/machines/0/size', 'no size "titan-9"'],
  ['an unknown zone', changed((p) => (p.machines[0]!.zone = 'q')), '/machines/0/zone', 'no zone "q"'],
  ['a month far off', changed((p) => (p.month = '2199-01')), '/month', '2000 to 2100'],
  ['a window turned round', changed((p) => (p.weeks[0]!.windows.mon = [{ from: '18:00', to: '08:00' }])), '/weeks/0/windows/mon/0', '08:00+1'],
  ['an unknown time zone', changed((p) => (p.weeks[0]!.timeZone = 'Mars/Base')), '/weeks/0/timeZone', 'IANA'],
  ['two machines of one name', changed((p) => (p.machines[1]!.name = p.machines[0]!.name)), '/machines/1', 'each name once'],
] // prettier-ignore

test('what is wrong with a file is answered with its place, and changes nothing', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  const before = await bench.planTotal()
  const dialog = page.getByRole('dialog', { name: 'The file was not imported' })
  for (const [what, text, where, says] of BAD) {
    await test.step(what, async () => {
      await pick(page, `${what}.json`, text)
      await expect(dialog.getByRole('code').or(dialog.locator('code')).first()).toHaveText(where)
      await expect(dialog).toContainText(says)
      await dialog.getByRole('button', { name: 'Close' }).click()
      await expect(dialog).toBeHidden()
      expect(await bench.planTotal()).toBe(before)
      await expect(bench.nothingToUndo).toBeDisabled()
    })
  }
})

test('markup in names is shown as text', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  await pick(
    page,
    'markup.json',
    changed((plan) => (plan.machines[0]!.name = '<img src=x onerror=alert(1)>')),
  )
  await expect(bench.machine('<img src=x onerror=alert(1)>')).toBeVisible()
  expect(await page.locator('img').count()).toBe(0)
})

test('60 MB are refused, whatever they hold', async ({ page }, info) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  const path = info.outputPath('large.json')
  writeFileSync(path, ' '.repeat(60_000_000))
  await page.locator('input[aria-label^="Plan, price book"]').setInputFiles(path)
  await expect(page.getByRole('dialog')).toContainText('The file has 58 MiB. Expected: at most 32 MiB')
})

test('several files come in at once, a plan before the book that it needs, and another kind is told what to do', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const book = JSON.parse(readFileSync('data/plinthouse.json', 'utf8')) as {
    provider: { id: string; name: string }
  }
  const plan = JSON.parse(readFileSync('data/larkspur-trams.json', 'utf8')) as {
    name: string
    machines: { provider: string }[]
  }
  book.provider = { id: 'fellmoor', name: 'Fellmoor' }
  plan.name = 'At Fellmoor'
  for (const machine of plan.machines) if (machine.provider === 'plinthouse') machine.provider = 'fellmoor'
  const file = (name: string, content: object | Buffer) => ({
    name,
    mimeType: 'application/json',
    buffer: Buffer.isBuffer(content) ? content : Buffer.from(JSON.stringify(content)),
  })
  const input = page.getByLabel('Plan, price book or inventory to import')
  await input.setInputFiles([file('a.plan.json', plan), file('b.json', book)])
  const told = page.getByRole('status').filter({ hasText: 'is open' })
  await expect(told).toContainText('Fellmoor, edition 2027, is in use')
  await expect(told).toContainText('At Fellmoor is open')
  await bench.priced()
  await input.setInputFiles([
    file('machines.csv', Buffer.from([0xd0, 0xcf, 0x11, 0xe0])),
    file('c.json', book),
  ])
  const dialog = page.getByRole('dialog', { name: 'The file was not imported' })
  await expect(dialog).toContainText(
    'This is a spreadsheet. Expected: In your spreadsheet program, save the sheet as CSV',
  )
  await expect(dialog).toContainText('Fellmoor, edition 2027, is in use')
})
