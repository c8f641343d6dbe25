import { expect, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { Workbench } from './workbench'
import { onOwnPage, test } from './openedPage'

/** What the provider's rules mean for one machine, and what can be changed about it there. */

test('terms are compared under the machine’s own schedule, taken, and taken back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=terms')
  await expect(page.getByRole('row', { name: /One year kept/ })).toContainText('468.6 h, 63 %')
  await expect(page.getByText('too few for any commitment to pay')).toBeVisible()
  await expect(page.getByTestId('terms-on-demand')).toHaveText('58.17')
  await page.getByRole('button', { name: 'Take the terms One year kept' }).click()
  await expect.poll(() => bench.total()).toBe(109.41)
  await expect(page.getByTestId('terms-one-year')).toHaveText('109.41')
  await bench.undo.click()
  await expect.poll(() => bench.total()).toBe(58.17)
})

test('a closed offer says why', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=delay-forecast&view=terms')
  await expect(page.getByRole('row', { name: /Spot/ })).toContainText('closed: Spot cannot hibernate')
  await expect(page.getByRole('button', { name: 'Take the terms Spot' })).toBeDisabled()
})

test('a free allowance is one pool: who uses it, and when it runs out', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=platform-voice&view=terms')
  const allowances = page.getByRole('region', { name: 'Free allowances' })
  await expect(allowances).toContainText('It lasts: 75.2 h are left')
  await expect(allowances.getByRole('row', { name: /depot-kiosk.*179\.7 of 179\.7 h free/ })).toBeVisible()
  await expect(allowances).toContainText('It is used up on 18 March')
  // Never switched off, it uses the pool up, and the other machine pays.
  await page.getByRole('link', { name: 'Gauge' }).click()
  const kiosk = bench.machine('depot-kiosk')
  const before = await kiosk.innerText()
  await bench.slider('When off').press('Enter')
  const row = page.getByRole('row', { name: /Always on/ })
  await row.click()
  await row.click()
  await expect(kiosk).not.toHaveText(before)
  await page.getByRole('link', { name: 'Terms' }).click()
  await expect(allowances.getByText(/^600 hours for the first year.*It is used up on/)).toBeVisible()
})

test('disks show what they reach and by what they are limited, and are changed in place', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=delay-forecast&view=terms')
  const disks = page.getByRole('region', { name: 'Disks' })
  await expect(disks.getByRole('row', { name: /System disk/ })).toContainText('5,000')
  const top = disks.getByRole('textbox', { name: 'IOPS on top of system disk' })
  const start = await bench.total()
  await top.fill('4000')
  await top.press('Enter')
  await expect(disks.getByRole('row', { name: /System disk/ })).toContainText('7,000')
  // 2,000 IOPS more at 0.0055
  await expect.poll(() => bench.total()).toBeCloseTo(start + 11, 2)
  await disks.getByRole('button', { name: 'Add a data disk' }).click()
  await expect(disks.getByRole('row', { name: /Data disk 1/ })).toBeVisible()
  await disks.getByRole('button', { name: /Snapshots of system disk/ }).click()
  await page.getByRole('option', { name: 'snapshot every day' }).click()
  await expect(page.getByText('System disk, snapshots')).toBeVisible()
  await disks.getByRole('button', { name: 'Delete data disk 1' }).click()
  await expect(disks.getByRole('row', { name: /Data disk 1/ })).toBeHidden()
  await bench.reload()
  await expect(page.getByText('System disk, snapshots')).toBeVisible()
})

test('off is not free, and the sentence says why', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=crew-roster-db')
  await expect(
    page.getByText(/^Stopped: still € 0\.\d{4} an hour, the hardware is kept for you\.$/),
  ).toBeVisible()
  await bench.turnTo('/?machine=ticket-hall-screen')
  await expect(page.getByText(/a flat plan runs until the machine is deleted/)).toBeVisible()
  await page.getByRole('link', { name: 'Terms' }).click()
  await expect(page.getByText('its own disk of 60 GiB is part of the price')).toBeVisible()
  await page.getByRole('button', { name: 'By meter' }).click()
  await expect(page.getByRole('row', { name: /Machine time.*0\.0132/ })).toBeVisible()
})

test('currencies meet only by a rate that the person gave; tax comes last', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=delay-forecast')
  const totals = page.getByTestId('plan-totals')
  await expect(totals).toContainText('€ 824.54 planned')
  await bench.choosePlanMenu('Currency, exchange rates and tax…')
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: /Delete the rate of USD/ }).click()
  await expect(dialog.getByText('No rate from USD to EUR by March 2027')).toBeVisible()
  await dialog.getByRole('textbox', { name: 'How many EUR' }).fill('0.9')
  await dialog.getByRole('textbox', { name: 'From date' }).fill('2027-03-01')
  await dialog.getByRole('textbox', { name: 'Tax in percent' }).fill('23')
  await dialog.getByRole('button', { name: 'Add the rate' }).click()
  await dialog.getByRole('button', { name: 'Done' }).click()
  // 695.99 + 0.9 × (12.41 + 4.15 + 94.48 + 14.93) as each is shown
  await expect(totals).toContainText('with 23 % tax')
  await expect(totals).not.toContainText('no exchange rate')
  await page.getByRole('button', { name: 'Previous month' }).click()
  await expect(totals).toContainText('without USD: no exchange rate')
  await expect(page.getByText('no rate from USD by 2027-02')).toBeVisible()
})

test('a month is priced by the edition that is valid in it, and one without is said', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=axle-counter-sim&view=book&month=2027-06')
  await expect(page.getByRole('button', { name: /Price book/ })).toContainText('Quarry Row, 2026-10')
  await page.getByRole('button', { name: 'Next month' }).click()
  await expect(page.getByRole('button', { name: /Price book/ })).toContainText('Quarry Row, 2027-07')
  await bench.turnTo('/?machine=axle-counter-sim&month=2026-09')
  await expect(page.getByText('No price book of "quarry-row" is valid in 2026-09')).toBeVisible()
})

test('a book that overlaps another edition is refused, with the place', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  const text = readFileSync('data/quarry-row-2027-07.json', 'utf8').replace(
    '"edition": "2027-07"',
    '"edition": "copy"',
  )
  await page
    .locator('input[aria-label^="Plan, price book"]')
    .setInputFiles({ name: 'copy.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await expect(page.getByText('It overlaps edition 2027-07 of Quarry Row')).toBeVisible()
  await expect(page.getByText('/valid', { exact: true })).toBeVisible()
})

test('a book with gaps is refused whole, with every problem and its place', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=delay-forecast&view=book')
  const book = JSON.parse(readFileSync('data/tidewright.json', 'utf8')) as {
    currency: string
    billing: { longRunRebate: { upToShare: string }[] }
    prices: { porto: { trafficOut: { upToGiB?: number }[]; sizes: Record<string, object> } }
  }
  book.currency = 'QQQ'
  await drop(page, 'currency.json', book)
  await expect(page.getByText('/currency', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).first().click()

  book.currency = 'USD'
  book.billing.longRunRebate.pop()
  book.prices.porto.trafficOut[3]!.upToGiB = 99_999
  book.prices.porto.sizes['eddy-2-8'] = {}
  await drop(page, 'gaps.json', book)
  for (const pointer of [
    '/billing/longRunRebate/2/upToShare',
    '/prices/porto/trafficOut/3/upToGiB',
    '/prices/porto/sizes/eddy-2-8',
  ]) {
    await expect(page.getByText(pointer, { exact: true })).toBeVisible()
  }
  await page.getByRole('button', { name: 'Close' }).first().click()
  await expect(page.getByRole('grid', { name: 'Price book of Tidewright' })).toBeVisible()
  await expect(bench.nothingToUndo).toBeDisabled()
})

test('what was exported comes back with all that its machines have', async ({ page }, info) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=smoke-runner&view=ledger&of=plan')
  const total = page.getByTestId('ledger-total')
  await expect(total).toContainText('in all')
  const before = await total.innerText()
  const path = info.outputPath('plan.json')
  const download = page.waitForEvent('download')
  await bench.choosePlanMenu('Export the plan')
  await (await download).saveAs(path)
  await bench.choosePlanMenu('Start an empty plan')
  await page.locator('input[aria-label^="Plan, price book"]').setInputFiles(path)
  await expect(page.getByText('Larkspur Trams, depot test bench is open.')).toBeVisible()
  await bench.turnTo('/?machine=smoke-runner&view=ledger&of=plan')
  await expect(total).toHaveText(before)
})

test('terms, disks and the ledger by keyboard alone', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=dispatch-mirror&view=terms')
  await page.getByRole('button', { name: 'Take the terms On demand' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('row', { name: /On demand/ })).toContainText('now')
  const goes = page.getByRole('checkbox', { name: 'goes with the machine' })
  await goes.focus()
  await page.keyboard.press('Space')
  await expect(goes).not.toBeChecked()
  await page.keyboard.press('Control+z')
  await expect(goes).toBeChecked()
  await page.getByRole('link', { name: 'Ledger' }).focus()
  await page.keyboard.press('Enter')
  await page.getByRole('radio', { name: 'by meter' }).focus()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('Space')
  await expect(page.getByRole('radio', { name: 'in time order' })).toBeChecked()
})

onOwnPage('a ledger that is being laid out can be given up, and asked for again', async ({ page }) => {
  await page.addInitScript(() => {
    const Original = window.Worker
    // The first worker that is asked for a ledger never answers, as with a plan that takes long.
    let held = false
    window.Worker = class extends Original {
      override postMessage(message: unknown): void {
        const { question } = message as { question?: { value?: object } }
        const asks = question?.value !== undefined && 'byDaysOf' in question.value
        if (asks && !held) held = true
        else super.postMessage(message)
      }
    }
  })
  const bench = new Workbench(page)
  await bench.open('/?machine=smoke-runner&view=ledger&of=plan')
  await expect(page.getByText('Laying out the month of 14 machines…')).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('The ledger was not laid out.')).toBeVisible()
  await page.getByRole('button', { name: 'Lay it out' }).click()
  await expect(page.getByTestId('ledger-total')).toContainText('in all')
})

const drop = (page: Page, name: string, content: unknown): Promise<void> =>
  page.locator('input[aria-label^="Plan, price book"]').setInputFiles({
    name,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(content)),
  })
