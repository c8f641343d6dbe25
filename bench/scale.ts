import { chromium, type CDPSession, type Page } from '@playwright/test'
import { CHROMIUM } from '../scripts/chromium.mjs'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { readPlan, writePlan } from '../src/files/plan/planFile.ts'
import { readPriceBook, writePriceBook } from '../src/files/priceBook/priceBookFile.ts'
import { MOST_EDITS } from '../src/store/history.ts'
import { largeBook } from './generate.ts'
import { benchServer } from './server.ts'

/**
 * What grows with a plan and with a price book: for each thing that a person does, how long it took, the longest task
 * that held the page up, the processor time of the page's thread, and the heap after. Starts its own server, unless an
 * address is given.
 */
const MACHINES = [14, 500, 5_000]
const SIZES = [50, 1_200, 5_000]
const REGIONS = 100
const EDITS = 1_000
const SWITCHES = 520

const folder = mkdtempSync(join(tmpdir(), 'scale-'))

function planOf(count: number): string {
  const demo = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
  if (!demo.ok) throw new Error('the demo is not valid')
  const { machines } = demo.value
  const many = Array.from({ length: count }, (_, i) => ({
    ...machines[i % machines.length]!,
    name: `bay-${i + 1}`,
  }))
  const path = join(folder, `${count}.plan.json`)
  writeFileSync(path, writePlan({ ...demo.value, machines: many }))
  return path
}

function bookOf(sizes: number): string {
  const read = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
  if (!read.ok) throw new Error('data/fennmark.json is not valid')
  const pattern = { ...read.value, provider: { id: 'wide', name: 'Wide' } }
  const path = join(folder, `${sizes}.book.json`)
  writeFileSync(path, writePriceBook(largeBook(pattern, { sizes, regions: REGIONS, diskKinds: 8 })))
  return path
}

/** A page whose long tasks and processor time are watched. */
class WatchedPage {
  private constructor(
    readonly page: Page,
    private readonly cdp: CDPSession,
  ) {}

  static async of(page: Page): Promise<WatchedPage> {
    await page.addInitScript(() => {
      const held = ((window as unknown as { held: number[] }).held = [] as number[])
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) held.push(duration)
      }).observe({ type: 'longtask', buffered: true })
    })
    const cdp = await page.context().newCDPSession(page)
    await cdp.send('Performance.enable')
    return new WatchedPage(page, cdp)
  }

  /** Does something, and says what it cost. */
  async measure(what: string, act: () => Promise<unknown>): Promise<void> {
    const before = await this.figures()
    await this.page.evaluate(() => ((window as unknown as { held: number[] }).held.length = 0))
    const start = performance.now()
    await act()
    const took = performance.now() - start
    await this.page.waitForTimeout(300)
    const after = await this.figures()
    const held = await this.page.evaluate(() => (window as unknown as { held: number[] }).held)
    // What a page did before it was opened anew is no part of it.
    const cpu = after.cpu >= before.cpu ? after.cpu - before.cpu : after.cpu
    const longest = Math.round(Math.max(0, ...held))
    const heap = Math.round(after.heap / 1e6)
    console.log(
      `  ${what}: ${Math.round(took)} ms, longest task ${longest} ms, page ${Math.round(cpu * 1_000)} ms of processor, heap ${heap} MB`,
    )
  }

  private async figures(): Promise<{ readonly cpu: number; readonly heap: number }> {
    const { metrics } = await this.cdp.send('Performance.getMetrics')
    const of = (wanted: string): number => metrics.find(({ name }) => name === wanted)?.value ?? 0
    return { cpu: of('TaskDuration'), heap: of('JSHeapUsedSize') }
  }
}

const saved = (page: Page): Promise<void> =>
  page
    .getByTestId('saved')
    .getByText('All changes are saved')
    .waitFor({ state: 'attached', timeout: 120_000 })
const overviewDone = (page: Page): Promise<void> =>
  page.locator('[data-testid="bench"][aria-busy="false"]').waitFor({ timeout: 300_000 })
const takeIn = async (page: Page, path: string, says: RegExp): Promise<void> => {
  await page.locator('input[type="file"]').setInputFiles(path)
  await page.getByText(says).waitFor({ timeout: 300_000 })
}

async function measurePlan(watched: WatchedPage, address: string, count: number): Promise<void> {
  const { page } = watched
  console.log(`${count} machines`)
  await page.goto(address)
  await page.getByTestId('bench').waitFor()
  await watched.measure('plan brought in and saved', async () => {
    await takeIn(page, planOf(count), /is open\. Undo brings/)
    await saved(page)
  })
  await watched.measure('opened anew, first figures', async () => {
    await page.goto(address)
    await page.locator('[aria-label="Where the month goes"] tbody tr').first().waitFor({ timeout: 120_000 })
  })
  await watched.measure('bench whole', () => overviewDone(page))
  await page.goto(`${address}?machine=bay-1&view=gauge`)
  const slider = page.getByRole('slider', { name: 'When off', exact: true })
  await slider.waitFor({ timeout: 120_000 })
  await page.waitForTimeout(3_000)
  await slider.focus()
  await watched.measure('a notch, from key to total', async () => {
    const total = page.getByTestId('machine-total')
    const before = await total.innerText()
    await page.keyboard.press('ArrowRight')
    await page.waitForFunction(
      (text) => document.querySelector('[data-testid="machine-total"]')?.textContent !== text,
      before,
    )
  })
  await saved(page)
  await page.goto(address)
  await overviewDone(page)
  await page.getByRole('checkbox', { name: 'Select every machine that is shown' }).check()
  await page.getByRole('button', { name: 'Change the selected machines' }).click()
  await page.getByRole('menuitem', { name: 'State when off' }).click()
  await watched.measure('preview of a change of all', async () => {
    await page
      .getByRole('button', { name: /State when off/ })
      .last()
      .click()
    await page.getByRole('option', { name: 'Stopped' }).click()
    await page.getByTestId('change-sum').waitFor({ timeout: 300_000 })
  })
  const elements = await page.evaluate(() => document.querySelectorAll('[role=dialog] *').length)
  console.log(`  elements in the preview: ${elements}`)
  await watched.measure('change of all, saved', async () => {
    await page.getByRole('button', { name: /^Change [0-9]+ machines?$/ }).click()
    await saved(page)
  })
  await watched.measure('its undo, saved', async () => {
    await page.getByRole('button', { name: /^Undo: / }).click()
    await saved(page)
  })
  await watched.measure('plan exported', async () => {
    const coming = page.waitForEvent('download', { timeout: 120_000 })
    await page.getByRole('button', { name: 'Plan', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Export the plan' }).click()
    await coming
  })
}

async function measureBook(watched: WatchedPage, address: string, sizes: number): Promise<void> {
  const { page } = watched
  console.log(`a book of ${sizes} sizes in ${REGIONS} regions`)
  await page.goto(address)
  await page.getByTestId('bench').waitFor()
  await watched.measure('brought in', () => takeIn(page, bookOf(sizes), /is in use from|problem/))
  await page.waitForTimeout(8_000)
  await watched.measure('opened anew, first figures', async () => {
    await page.goto(address)
    await page.locator('[aria-label="Where the month goes"] tbody tr').first().waitFor({ timeout: 300_000 })
  })
}

/** Edits and switches of view one after the other: the heap after each part, rubbish collected. */
async function measureHeap(page: Page, address: string): Promise<void> {
  const cdp = await page.context().newCDPSession(page)
  const heap = async (): Promise<string> => {
    await cdp.send('HeapProfiler.collectGarbage')
    const { usedSize } = await cdp.send('Runtime.getHeapUsage')
    return (usedSize / 1e6).toFixed(1)
  }
  await page.goto(`${address}?machine=timetable-loadgen&view=gauge`)
  const slider = page.getByRole('slider', { name: 'When off', exact: true })
  await slider.waitFor()
  const views = ['Week', 'Month', 'Terms', 'Access', 'Side by side', 'Ledger', 'Book', 'Gauge']
  const switchViews = async (count: number): Promise<void> => {
    for (let i = 0; i < count; i += 1) {
      await page.getByRole('link', { name: views[i % views.length]!, exact: true }).click()
    }
  }
  // All code is there, and each cache has begun to fill.
  await switchViews(2 * views.length)
  const edits: string[] = []
  for (let part = 0; part <= EDITS; part += EDITS / 5) {
    if (part > 0) {
      await slider.focus()
      for (let i = 0; i < EDITS / 5; i += 1) await page.keyboard.press(i % 2 ? 'ArrowLeft' : 'ArrowRight')
      await saved(page)
    }
    edits.push(`${part}: ${await heap()}`)
  }
  console.log(`heap in MB after so many edits (steps of ${MOST_EDITS} are kept): ${edits.join(', ')}`)
  const switches: string[] = []
  for (let part = 0; part <= SWITCHES; part += 104) {
    if (part > 0) await switchViews(104)
    switches.push(`${part}: ${await heap()}`)
  }
  console.log(`heap in MB after so many switches of view: ${switches.join(', ')}`)
}

const { address, stop } = await benchServer()
const flags = ['--no-sandbox', '--disable-gpu', '--disable-background-networking']
const browser = await chromium.launch({ executablePath: CHROMIUM, args: flags })
for (const [counts, measure] of [
  [MACHINES, measurePlan],
  [SIZES, measureBook],
] as const) {
  for (const count of counts) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    await measure(await WatchedPage.of(await context.newPage()), address, count)
    await context.close()
  }
}
const long = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await measureHeap(long, address)
await browser.close()
stop()
