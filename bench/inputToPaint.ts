import { chromium, type Page } from '@playwright/test'
import { CHROMIUM } from '../scripts/chromium.mjs'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writePlan } from '../src/files/plan/planFile.ts'
import { readPriceBook, writePriceBook } from '../src/files/priceBook/priceBookFile.ts'
import { benchServer } from './server.ts'
import { largeBook, largePlan, usingAllRules, withAllRules } from './generate.ts'

/**
 * From a key to the frame that shows it, as the browser measures it (Event Timing): a notch moved to and fro, on the
 * demo and on a book of 1,200 sizes, at full speed and with the processor slowed down four times. Starts its own
 * server, unless an address is given.
 */
const PRESSES = 12
const BETWEEN_MS = 700

/** Milliseconds of each press, from the least to the most. */
async function press(page: Page, plate: string): Promise<number[]> {
  const slider = page.getByRole('slider', { name: plate, exact: true })
  await slider.focus()
  await page.evaluate(() => {
    const held = window as unknown as { measured?: number[] }
    if (held.measured) {
      held.measured.length = 0
      return
    }
    const measured = (held.measured = [] as number[])
    new PerformanceObserver((list) => {
      for (const { name, duration } of list.getEntries()) if (name === 'keydown') measured.push(duration)
    }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit)
  })
  for (let i = 0; i < PRESSES; i += 1) {
    await page.keyboard.press(i % 2 ? 'ArrowLeft' : 'ArrowRight')
    await page.waitForTimeout(BETWEEN_MS)
  }
  const measured = await page.evaluate(() => (window as unknown as { measured: number[] }).measured)
  return measured.sort((a, b) => a - b)
}

async function openLarge(page: Page): Promise<void> {
  const read = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
  if (!read.ok) throw new Error('data/fennmark.json is not valid')
  const pattern = { ...read.value, provider: { id: 'wide', name: 'Wide' } }
  const book = withAllRules(largeBook(pattern, { sizes: 1_200, regions: 60, diskKinds: 8 }))
  const folder = mkdtempSync(join(tmpdir(), 'input-to-paint-'))
  const [bookPath, planPath] = [join(folder, 'wide.book.json'), join(folder, 'wide.plan.json')]
  writeFileSync(bookPath, writePriceBook(book))
  writeFileSync(planPath, writePlan(usingAllRules(largePlan(book, 5, 5), book)))
  const input = page.locator('input[type="file"]')
  await input.setInputFiles(bookPath)
  await page.getByText(/is in use from/).waitFor({ timeout: 60_000 })
  await input.setInputFiles(planPath)
  await page.getByText('Large plan is open.').waitFor({ timeout: 60_000 })
  // One that fits, so that no plate folds itself meanwhile.
  await page
    .getByRole('row', { name: /machine-4/ })
    .or(page.getByRole('option', { name: /machine-4/ }))
    .click()
}

const { address, stop } = await benchServer()
const flags = ['--no-sandbox', '--disable-gpu', '--disable-background-networking']
const browser = await chromium.launch({ executablePath: CHROMIUM, args: flags })
for (const what of ['the demo', 'a book of 1,200 sizes']) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(new URL('?machine=timetable-loadgen&view=gauge', address).href)
  await page.getByRole('slider', { name: 'Size', exact: true }).waitFor()
  if (what !== 'the demo') await openLarge(page)
  await page.waitForTimeout(2_000)
  const cdp = await page.context().newCDPSession(page)
  for (const rate of [1, 4]) {
    await cdp.send('Emulation.setCPUThrottlingRate', { rate })
    for (const plate of ['Size', 'When off']) {
      const times = await press(page, plate)
      const middle = times[Math.floor(times.length / 2)]
      const range = `${times[0]} to ${times.at(-1)} ms, median ${middle} ms`
      console.log(`${what}, ${plate}, ${rate === 1 ? 'full speed' : `${rate} times slower`}: ${range}`)
    }
  }
  await page.close()
}
await browser.close()
stop()
