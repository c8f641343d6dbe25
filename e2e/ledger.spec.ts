import { expect } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { Workbench } from './workbench'
import { test } from './openedPage'

/** Every figure opens to its arithmetic and to its rate. */

test('why is this 9.86? Two presses answer it', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  await expect(page.getByTestId('line-amount').filter({ hasText: '9.86' })).toBeVisible()
  await page.getByRole('link', { name: 'Ledger' }).click()
  await page.getByRole('row', { name: /Disks/ }).click()
  await expect(page.getByTestId('picked-amount')).toHaveText('€ 9.86')
  await expect(page.getByTestId('picked-arithmetic')).toHaveText('9.86 a month = 9.86')
  const panel = page.getByRole('complementary', { name: 'The picked charge' })
  await expect(panel).toContainText('The rate in the book of Fennmark, 2027-01')
  await expect(panel.getByRole('listitem').filter({ hasText: 'Ember, 128 GiB' })).toContainText('9.86')

  await panel.getByRole('link', { name: 'Open the book there' }).click()
  await expect(page.locator('mark')).toHaveText('Ember, 128 GiB')
  await expect(page).toHaveURL(/view=book&provider=fennmark&edition=2027-01&rate=/)
  await page.reload()
  await expect(page.locator('mark')).toBeInViewport()
  await page.goBack()
  await expect(page.getByRole('grid', { name: 'Charges of the month' })).toBeVisible()
})

test('the same by keyboard alone', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=ledger')
  await page.getByRole('grid', { name: 'Charges of the month' }).focus()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByTestId('picked-amount')).toHaveText('€ 45.63')
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByTestId('picked-amount')).toHaveText('€ 9.86')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByTestId('picked-arithmetic')).toContainText('9.86 a month × 28,800 s ÷ 2,678,400 s')
  await page.keyboard.press('End')
  await expect(page.getByTestId('picked-amount')).toContainText('€ 0.0')
})

test('filters are in the address, and what passes is added up', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=crew-roster-db&view=ledger')
  const total = page.getByTestId('ledger-total')
  await expect(total).toContainText('€ 144.75 in all')
  await page.getByRole('button', { name: 'Machine time' }).click()
  await page.getByRole('button', { name: 'Stopped' }).click()
  // 514 h and a little more that it is stopped and still charged in full
  await expect(page).toHaveURL(/meters=compute&states=stopped/)
  await expect(total).toContainText('of what passes the filters, 23 charges')
  const stopped = await total.innerText()
  await page.reload()
  await expect(total).toHaveText(stopped)
  await page.getByRole('button', { name: 'Machine time' }).click()
  await page.getByRole('button', { name: 'Stopped' }).click()
  await expect(total).toContainText('€ 144.75 in all')
})

test('the whole plan is laid out by machine, day, meter and in time order, to one total', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=crew-roster-db&view=ledger')
  await page.getByRole('radio', { name: 'whole plan' }).click()
  const total = page.getByTestId('ledger-total')
  await expect(total).toContainText(/^€ [\d.]+ and \$ [\d.]+ in all/)
  const sums = (await total.innerText()).split(' in all')[0]!
  for (const order of ['in time order', 'by day', 'by machine', 'by meter']) {
    await page.getByRole('radio', { name: order }).click()
    await expect(total).toContainText(`${sums} in all`)
  }
  await page.getByRole('radio', { name: 'by machine' }).click()
  await page.getByRole('row', { name: /crew-roster-db/ }).click()
  await expect(page.getByTestId('picked-amount')).toHaveText('€ 144.75')
})

test('the ledger is exported as CSV whose amounts are the machine’s total', async ({ page }, info) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=ledger&fold=time')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export the ledger' }).click()
  await page.getByRole('menuitem', { name: 'CSV', exact: true }).click()
  const path = info.outputPath('ledger.csv')
  const file = await download
  expect(file.suggestedFilename()).toBe('timetable-loadgen-2027-03.ledger.csv')
  await file.saveAs(path)
  const rows = readFileSync(path, 'utf8').trim().split('\r\n').slice(1)
  const cents = rows.map((row) => Math.round(Number(/",(-?\d+\.\d\d),"EUR"/.exec(row)![1]) * 100))
  expect(cents.reduce((sum, amount) => sum + amount, 0)).toBe(5_817)
})

test('a figure is copied with its arithmetic', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=ledger')
  await page.getByRole('row', { name: /Disks/ }).click()
  await page.getByRole('button', { name: 'Copy with its arithmetic' }).click()
  await expect(page.getByText('Copied', { exact: true })).toBeVisible()
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(
    'Disks: € 9.86\nSystem disk, € 9.86: 9.86 a month = 9.86',
  )
})

test('a book that is not there is said, and another can be picked', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=book&provider=nobody&edition=1')
  await expect(page.getByText('There is no price book of “nobody”, edition 1, here.')).toBeVisible()
  await page.getByRole('button', { name: /Price book/ }).click()
  await page.getByRole('option', { name: /Quarry Row, 2027-07/ }).click()
  await expect(page.getByRole('grid', { name: 'Price book of Quarry Row' })).toBeVisible()
})

test('the month read as 730 hours says so everywhere', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=fare-gate-soak')
  await page.getByRole('button', { name: 'Month: March 2027' }).click()
  await page.getByRole('radio', { name: '730 hours, as price lists print it' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Month: March 2027, read as 730 hours' })).toBeVisible()
  // 730 × 0.3664, and the disk
  await expect(page.getByTestId('machine-total')).toHaveText('€ 277.33')
  await expect(page.getByText('averaged over 730 h')).toBeVisible()
  await page.getByRole('link', { name: 'Ledger' }).click()
  await expect(page.getByTestId('ledger-total')).toContainText('the month read as 730 hours')
  await page
    .getByRole('row', { name: /Machine time/ })
    .first()
    .click()
  await expect(page.getByTestId('picked-arithmetic')).toContainText('× 730 h ÷ 744 h')
})
