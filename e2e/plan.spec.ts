import { expect } from '@playwright/test'
import { Workbench } from './workbench'
import { onOwnPage, test } from './openedPage'

/** The plan as a whole: machines come and go, months turn, the theme is kept, and storage can fail. */

test('a machine is duplicated and removed, and undo brings it back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=signal-replay')
  const action = async (name: string): Promise<void> => {
    await page.getByRole('button', { name: 'Machine', exact: true }).click()
    await page.getByRole('menuitem', { name }).click()
  }
  const total = await bench.total()
  await action('Duplicate the machine')
  await expect(page).toHaveURL(/machine=signal-replay\+2/)
  await expect(page.getByRole('option')).toHaveCount(15)
  expect(await bench.total()).toBe(total)
  await action('Delete the machine…')
  await page.getByRole('button', { name: 'Delete the machine' }).click()
  await expect(page.getByRole('option')).toHaveCount(14)
  await bench.undo.click()
  await expect(page.getByRole('option', { name: /signal-replay 2 2/ })).toBeVisible()
})

test('a month is picked, and everything is priced for it', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=fare-gate-soak')
  await expect(page.getByText('averaged over 744 h')).toBeVisible()
  await page.getByRole('button', { name: 'Month: March 2027' }).click()
  await page.getByRole('button', { name: 'Feb' }).click()
  await expect(page.getByRole('button', { name: 'Month: February 2027' })).toBeVisible()
  await expect(page.getByText('averaged over 672 h')).toBeVisible()
  await bench.priced()
  await page.goBack()
  await expect(page.getByText('averaged over 744 h')).toBeVisible()
})

test('the theme that is chosen is kept', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  const paper = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor)
  const light = await paper()
  await bench.choosePlanMenu('Dark theme')
  await expect.poll(paper).not.toBe(light)
  const dark = await paper()
  await bench.reload()
  expect(await paper()).toBe(dark)
  await bench.choosePlanMenu('Theme as the system')
  await expect.poll(paper).toBe(light)
})

onOwnPage(
  'where storage is refused the plan opens, edits work, and it is said how to keep them',
  async ({ page }) => {
    await page.addInitScript(() => {
      Object.defineProperty(window, 'indexedDB', { value: undefined })
    })
    const bench = new Workbench(page)
    await bench.open('/?machine=timetable-loadgen')
    await expect(page.getByText('Changes are not being kept.')).toBeVisible()
    const start = await bench.total()
    await bench.slider('Public address').press('ArrowLeft')
    await expect.poll(() => bench.total()).toBeLessThan(start)
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Export the plan' }).click()
    expect((await download).suggestedFilename()).toBe('larkspur-trams-depot-test-bench.plan.json')
  },
)

onOwnPage('leaving before a change is saved is asked about', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  await page.evaluate(() => {
    // A disk that takes its time: nothing that is written from now on is ever done.
    IDBObjectStore.prototype.put = () => new Promise(() => undefined) as never
  })
  await bench.slider('Public address').press('ArrowLeft')
  await expect(page.getByTestId('saved')).toHaveText('Saving')
  const asked = page.waitForEvent('dialog')
  const leaving = page.reload().catch(() => undefined)
  const dialog = await asked
  expect(dialog.type()).toBe('beforeunload')
  await dialog.accept()
  await leaving
})

onOwnPage('a file that is being read can be given up', async ({ page }) => {
  await page.addInitScript(() => {
    const Original = window.Worker
    // The worker that reads files never answers, as with a file that takes long.
    window.Worker = class extends Original {
      override postMessage(message: unknown): void {
        const { question } = message as { question?: { value?: object } }
        if (!question?.value || !('file' in question.value)) super.postMessage(message)
      }
    }
  })
  const bench = new Workbench(page)
  await bench.open()
  await page.locator('input[aria-label^="Plan, price book"]').setInputFiles('data/larkspur-trams.json')
  await expect(page.getByText('Reading larkspur-trams.json…')).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Reading larkspur-trams.json…')).toBeHidden()
  await expect(bench.nothingToUndo).toBeDisabled()
})

test('a price book that lacks what a machine has leaves the plan open, and says what is not priced', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=signal-replay')
  const text = await page.evaluate(async () => {
    const database = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open('notchgauge')
      request.onsuccess = () => resolve(request.result)
      request.onerror = () => reject(request.error!)
    })
    const row = await new Promise<{ file: Record<string, unknown> }>((resolve) => {
      const request = database.transaction('editions').objectStore('editions').get(['fennmark', '2027-01'])
      request.onsuccess = () => resolve(request.result as { file: Record<string, unknown> })
    })
    database.close()
    const book = { format: 'notchgauge/price-book/1', ...structuredClone(row.file) }
    const prices = (book as unknown as { prices: { porto: { sizes: Record<string, unknown> } } }).prices
    delete prices.porto.sizes['heron-2-8']
    return JSON.stringify(book)
  })
  await page.locator('input[aria-label^="Plan, price book"]').setInputFiles({
    name: 'newer.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  })
  await expect(page.getByText('This machine is not priced.')).toBeVisible()
  await expect(page.getByText('Heron 2/8 is not sold in Porto.')).toBeVisible()
  await expect(page.getByText('without 2 not priced')).toBeVisible()
  await expect(page.getByText('The nearest that fits: size ')).toBeVisible()
  await page.getByRole('button', { name: 'Take it', exact: true }).click()
  await expect(bench.slider('Size')).toBeVisible()
  await bench.undo.click()
  await expect(page.getByText('This machine is not priced.')).toBeVisible()
  await page.getByRole('button', { name: 'Take it out again' }).click()
  await expect(bench.slider('Size')).toBeVisible()
})

test('the week is painted by touch', async ({ browser }) => {
  const context = await browser.newContext({
    hasTouch: true,
    isMobile: true,
    viewport: { width: 1024, height: 768 },
  })
  const page = await context.newPage()
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=week')
  const [from, to] = [await bench.at(5, 9.1), await bench.at(5, 11.9)]
  const client = await context.newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    client.send('Input.dispatchTouchEvent', { type, touchPoints: points })
  await touch('touchStart', [from])
  await touch('touchMove', [to])
  await touch('touchEnd', [])
  await expect(page.getByRole('textbox', { name: 'Saturday, times on' })).toHaveValue('09:00–12:00')
  await context.close()
})
