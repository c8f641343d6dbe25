import { chromium, type Browser, type Page } from '@playwright/test'
import { CHROMIUM } from '../scripts/chromium.mjs'
import { gzipSync } from 'node:zlib'
import { VIEWS } from '../src/screens/workbench/views.ts'
import { benchServer } from './server.ts'

/**
 * What each view sends and how soon its first figure stands: bytes of script (gzip) until then and after, cold and warm,
 * at full speed and with the processor slowed down four times. Starts its own server, unless an address is given.
 */
const FIRST_FIGURE =
  '[data-testid="machine-total"], [aria-label="Where the month goes"] tbody tr, [data-testid="plan-totals"][aria-busy="false"]'

interface Loaded {
  readonly before: number
  readonly all: number
  readonly shown: number
}

async function load(page: Page, url: string): Promise<Loaded> {
  // What a worker loads as well comes from the cache: each script counts once.
  const scripts = new Map<string, { readonly size: number; readonly at: number }>()
  page.on('response', (response) => {
    const url = response.url()
    if (!/\.js(\?|$)/.test(new URL(url).pathname)) return
    const at = Date.now()
    void response.body().then(
      (body) => scripts.has(url) || scripts.set(url, { size: gzipSync(body).length, at }),
      () => undefined,
    )
  })
  await page.goto(url, { waitUntil: 'commit' })
  await page.waitForSelector(FIRST_FIGURE, { timeout: 60_000 })
  const firstAt = Date.now()
  const shown = await page.evaluate(() => performance.now())
  await page.waitForTimeout(3_000)
  page.removeAllListeners('response')
  const all = [...scripts.values()]
  const sum = (some: typeof all): number => some.reduce((total, { size }) => total + size, 0)
  return { before: sum(all.filter(({ at }) => at <= firstAt)), all: sum(all), shown }
}

const kB = (bytes: number): string => `${Math.round(bytes / 1_000)} kB`

async function measure(browser: Browser, address: string, view: string, rate: number): Promise<void> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const url = new URL(`?machine=timetable-loadgen&view=${view}`, address).href
  const runs: Loaded[] = []
  while (runs.length < 2) {
    const page = await context.newPage()
    const cdp = await context.newCDPSession(page)
    await cdp.send('Emulation.setCPUThrottlingRate', { rate })
    runs.push(await load(page, url))
    await page.close()
  }
  await context.close()
  const [cold, warm] = runs as [Loaded, Loaded]
  console.log(
    `${view}${rate === 1 ? '' : `, ${rate} times slower`}: ${kB(cold.before)} of script before the first figure, ${kB(cold.all)} in all; first figure after ${Math.round(cold.shown)} ms cold, ${Math.round(warm.shown)} ms warm`,
  )
}

const { address, stop } = await benchServer()
const flags = ['--no-sandbox', '--disable-gpu', '--disable-background-networking']
const browser = await chromium.launch({ executablePath: CHROMIUM, args: flags })
for (const { id } of VIEWS) await measure(browser, address, id, 1)
for (const id of ['gauge', 'bench']) await measure(browser, address, id, 4)
await browser.close()
stop()
