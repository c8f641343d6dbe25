import { chromium, type Page } from '@playwright/test'
import { CHROMIUM } from '../scripts/chromium.mjs'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { benchServer } from './server.ts'
import { readPlan, writePlan } from '../src/files/plan/planFile.ts'

/**
 * The demo's machines over and over, 500 in all: from opening the page to the frame after the bench has every figure of
 * the month, and how long the page is held up while the rest is worked out and the table is scrolled. First as it opens
 * right after the plan was brought in, when all that is stored is checked anew, and then as it opens from then on. Starts
 * its own server, unless an address is given.
 */
const MACHINES = 500
const RUNS = 5
const SEALED_AFTER_MS = 8_000

function manyMachines(): string {
  const demo = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
  if (!demo.ok) throw new Error('the demo is not valid')
  const { machines } = demo.value
  const many = Array.from({ length: MACHINES }, (_, i) => ({
    ...machines[i % machines.length]!,
    name: `bay-${i + 1}`,
  }))
  const path = join(mkdtempSync(join(tmpdir(), 'bench-open-')), 'many.plan.json')
  writeFileSync(path, writePlan({ ...demo.value, machines: many }))
  return path
}

/** Milliseconds from the start of the page to its first row of figures, and of each task that held it up since. */
async function openOnce(page: Page): Promise<{ readonly shown: number; readonly held: readonly number[] }> {
  // What the page before was still working out must not be in the way.
  await page.goto('about:blank')
  await page.waitForTimeout(1_500)
  await page.goto(address)
  await page.waitForFunction(() => (window as unknown as { shown?: number }).shown)
  const shown = await page.evaluate(() => (window as unknown as { shown: number }).shown)
  await page.evaluate(() => {
    const tasks = ((window as unknown as { held: number[] }).held = [] as number[])
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) tasks.push(duration)
    }).observe({ type: 'longtask' })
  })
  for (let i = 0; i < 10; i += 1) {
    await page.mouse.move(400, 400)
    await page.mouse.wheel(0, i % 2 ? -400 : 400)
    await page.waitForTimeout(150)
  }
  return { shown, held: await page.evaluate(() => (window as unknown as { held: number[] }).held) }
}

const { address, stop } = await benchServer()
const flags = ['--no-sandbox', '--disable-gpu', '--disable-background-networking']
const browser = await chromium.launch({ executablePath: CHROMIUM, args: flags })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.addInitScript(() => {
  const seen = new MutationObserver(() => {
    if (!document.querySelector('[aria-label="Where the month goes"] tbody tr')) return
    seen.disconnect()
    requestAnimationFrame(() =>
      setTimeout(() => ((window as unknown as { shown: number }).shown = performance.now())),
    )
  })
  seen.observe(document, { childList: true, subtree: true })
})
await page.goto(address)
await page.locator('input[type="file"]').setInputFiles(manyMachines())
await page.getByText(/is open\. Undo brings/).waitFor({ timeout: 60_000 })
await page.getByTestId('saved').getByText('All changes are saved').waitFor({ state: 'attached' })
const first = await openOnce(page)
await page.waitForTimeout(SEALED_AFTER_MS)
const runs = []
for (let i = 0; i < RUNS; i += 1) runs.push(await openOnce(page))
const times = runs.map(({ shown }) => Math.round(shown)).sort((a, b) => a - b)
const held = runs.flatMap((run) => run.held).sort((a, b) => a - b)
console.log(`${MACHINES} machines: bench shown after ${times.join(', ')} ms`)
console.log(`right after they were brought in: ${Math.round(first.shown)} ms`)
console.log(
  `tasks over 50 ms while scrolling and working on: ${held.length}, the longest ${Math.round(held.at(-1) ?? 0)} ms`,
)
await browser.close()
stop()
