import { chromium, type Page } from '@playwright/test'
import { CHROMIUM } from '../scripts/chromium.mjs'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writePlan } from '../src/files/plan/planFile.ts'
import { writePriceBook } from '../src/files/priceBook/priceBookFile.ts'
import { books, planOn } from './marketBooks.ts'
import { benchServer } from './server.ts'

/**
 * From a step of a need that is dragged to the frame that shows the new field, on 2.5 million offers: `npm run bench:drag`.
 * The page runs at a quarter of its speed; since browsers do not slow workers down, what the worker took is counted four
 * times. Starts its own server, unless an address is given.
 */
const SLOWER = 4
const ROUNDS = 3
const BETWEEN_MS = 400
/** Pixels between two steps of a need, about; the sizes of these books differ at every other one of them. */
const STEP_WIDTH = 9

const folder = mkdtempSync(join(tmpdir(), 'drag-'))
const file = (name: string, text: string): string => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

interface Watch {
  /** Milliseconds of each answer of a worker since the last look. */
  readonly answers: number[]
  /** When the pointer last moved, as the browser took it in. */
  movedAt: number
  /** When the drawing last changed and was shown. */
  shownAt: number
}

/** Runs in the page: times answers of workers, and frames after a change of the drawing. */
function watch(): void {
  const held: Watch = { answers: [], movedAt: 0, shownAt: 0 }
  ;(window as unknown as { watch: Watch }).watch = held
  window.Worker = class extends Worker {
    private sentAt = 0

    constructor(...of: ConstructorParameters<typeof Worker>) {
      super(...of)
      this.addEventListener('message', () => held.answers.push(performance.now() - this.sentAt))
    }

    override postMessage(...of: unknown[]): void {
      this.sentAt = performance.now()
      ;(super.postMessage as (...each: unknown[]) => void)(...of)
    }
  }
  window.addEventListener('pointermove', ({ timeStamp }) => (held.movedAt = timeStamp), true)
  new MutationObserver((changes) => {
    const isDrawing = ({ target }: MutationRecord): boolean =>
      target instanceof Element && target.closest('[data-testid="field"] svg') !== null
    if (!changes.some(isDrawing)) return
    requestAnimationFrame(() => setTimeout(() => (held.shownAt = performance.now())))
  }).observe(document, { subtree: true, childList: true, attributes: true })
}

/** Moves the pointer by one step of the slider; milliseconds to the frame that shows it. */
async function step(page: Page, x: number, y: number): Promise<number> {
  await page.evaluate(() => {
    const { watch: held } = window as unknown as { watch: Watch }
    held.answers.length = 0
    held.shownAt = 0
  })
  await page.mouse.move(x, y)
  const { movedAt, shownAt, answers } = await page.evaluate(async () => {
    const { watch: held } = window as unknown as { watch: Watch }
    while (held.shownAt === 0) await new Promise((resolve) => setTimeout(resolve, 4))
    return { movedAt: held.movedAt, shownAt: held.shownAt, answers: [...held.answers] }
  })
  await page.waitForTimeout(BETWEEN_MS)
  return shownAt - movedAt + (SLOWER - 1) * (answers[0] ?? 0)
}

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!

const { address, stop } = await benchServer()
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.addInitScript(watch)
await page.goto(address)
await page.getByTestId('bench').waitFor()
const takeIn = async (path: string, says: RegExp): Promise<void> => {
  await page.locator('input[type="file"]').setInputFiles(path)
  await page.getByText(says).first().waitFor({ timeout: 300_000 })
}
for (const [at, book] of books.entries()) {
  await takeIn(
    file(`book-${at}.json`, writePriceBook(book)),
    new RegExp(`${book.provider.name}.* is in use from`),
  )
  console.log(`${book.provider.name} is brought in`)
}
await takeIn(
  file(
    'plan.json',
    writePlan({ ...planOn(9), providers: books.map(({ provider }) => ({ id: provider.id })) }),
  ),
  /is open\. Undo brings/,
)
await page.goto(`${address}?view=market&machine=web`)
const market = page.locator('[data-testid="market"][aria-busy="false"]')
await market.waitFor({ timeout: 300_000 })
console.log(await market.locator('p').first().innerText())
const cdp = await page.context().newCDPSession(page)
await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
for (const need of ['vCPU', 'memory']) {
  const thumb = page.getByRole('slider', { name: `Drag the least ${need}` }).locator('xpath=../..')
  const first: number[] = []
  const next: number[] = []
  for (let round = 0; round < ROUNDS; round += 1) {
    const { x, y, width, height } = (await thumb.boundingBox())!
    const [left, top] = [x + width / 2, y + height / 2]
    await page.mouse.move(left, top)
    await page.mouse.down()
    for (const [at, steps] of [2, 4, 2, 4, 6, 4, 2].entries())
      (at === 0 ? first : next).push(await step(page, left + steps * STEP_WIDTH, top))
    await page.mouse.move(left, top)
    await page.mouse.up()
    await market.waitFor({ timeout: 60_000 })
    await page.waitForTimeout(1_500)
  }
  const shown = (values: readonly number[]): string =>
    `median ${Math.round(median(values))} ms, worst ${Math.round(Math.max(...values))} ms`
  console.log(
    `${need} dragged, ${SLOWER} times slower: ${shown(next)}; the first step of a drag ${shown(first)}`,
  )
}
await browser.close()
stop()
