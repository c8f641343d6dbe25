import { expect, type Page } from '@playwright/test'
import { axeFindings } from './axe'
import { beginSaltmarsh, pick, Workbench } from './workbench'
import { test } from './openedPage'

/** A person's own prices: typed, pasted, taken back, and what of them is only assumed. */

const cell = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true })
const total = (page: Page) => page.getByTestId('book-total')

test('three sizes from a page and a first machine on its own week, by the keyboard alone', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const press = (key: string) => page.keyboard.press(key)
  const type = (text: string) => page.keyboard.type(text)
  await page.getByRole('button', { name: 'Start with my prices' }).focus()
  await press('Enter')
  await expect(page.getByLabel('Provider')).toBeFocused()
  await type('Saltmarsh')
  await press('Tab')
  await type('Fallow Quay')
  await press('Enter')
  await expect(page.getByRole('heading', { name: 'Prices of Saltmarsh' })).toBeVisible()
  await expect(cell(page, 'Name, new size')).toBeFocused()
  for (const row of [
    ['tern 4-16', '4 vCPU', '16 GiB', '€ 0,1728'],
    ['dunlin 2-4', '2', '4', '0.0204/h'],
    ['curlew 16-128', '16', '128', '1.288'],
  ]) {
    for (const [i, text] of row.entries()) {
      if (i > 0) await press('Tab')
      await type(text)
    }
    await press('Enter')
  }
  // The cheapest that has 2 vCPU and 4 GiB: (184 × 3,600 + 23 × 30) s × 0.0204 ÷ 3,600, and nothing for its disk.
  await expect(total(page)).toHaveText('€ 3.76')
  await page.getByRole('button', { name: 'Add it to the plan' }).focus()
  await press('Enter')
  await expect(bench.plate('Size')).toBeVisible()
  await expect(page.getByText('Rests on 9 assumed answers')).toBeVisible()
  await expect(page.getByText('To check, since the price book does not say: what disks cost')).toBeVisible()
  expect(await bench.total()).toBe(3.76)
  await bench.reload()
  expect(await bench.total()).toBe(3.76)
})

test('a disk is typed, a price is changed, and both are taken back in the book', async ({ page }) => {
  await beginSaltmarsh(page)
  await cell(page, 'Name, new size').fill('tern 4-16')
  await cell(page, 'vCPU, tern 4-16').fill('4')
  await cell(page, 'GiB of memory, tern 4-16').fill('16')
  await cell(page, 'Price, tern 4-16').fill('0.1')
  await expect(total(page)).toHaveText('€ 18.42')
  await cell(page, 'Kind of disk, new kind of disk').fill('Plain')
  await cell(page, 'Price a month, Plain').fill('0.05')
  // 64 GiB × 0.05
  await expect(total(page)).toHaveText('€ 21.62')
  await cell(page, 'Price, tern 4-16').fill('0.2')
  await expect(total(page)).toHaveText('€ 40.04')
  await page.getByRole('button', { name: 'Undo in the book: change tern 4-16' }).click()
  await expect(total(page)).toHaveText('€ 21.62')
  await cell(page, 'Price, tern 4-16').press('Control+z')
  await expect(total(page)).toHaveText('€ 18.42')
  await cell(page, 'Price, tern 4-16').press('Control+Shift+z')
  await expect(total(page)).toHaveText('€ 21.62')
})

test('a block from a spreadsheet fills rows, and what cannot be read stays with its reason', async ({
  page,
}) => {
  const bench = await beginSaltmarsh(page)
  await page.evaluate(() => {
    const data = new DataTransfer()
    data.setData(
      'text/plain',
      'tern 4-16\t4\t16\t0,1728\ndunlin 2-4\t2\t4\ton request\nsnipe 2-8\t2\t8\t0,0511\n',
    )
    const field = document.querySelector('[data-at="0,0"]')!
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  await expect(cell(page, 'Price, tern 4-16')).toHaveValue('0.1728')
  await expect(cell(page, 'Price, snipe 2-8')).toHaveValue('0.0511')
  await expect(page.getByText('a number, please')).toBeVisible()
  await expect(total(page)).toHaveText('€ 9.41')
  // What is not whole waits while another screen is looked at.
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(page.getByRole('heading', { name: 'This plan has no machines yet' })).toBeVisible()
  await page.getByRole('link', { name: 'Prices' }).click()
  await cell(page, 'Price, dunlin 2-4').fill('0.0213')
  await expect(total(page)).toHaveText('€ 3.92')
  await bench.reload()
  await expect(page.getByRole('button', { name: /^Delete / })).toHaveCount(3)
})

test('what is assumed says what it would cost, and is confirmed one by one', async ({ page }) => {
  await beginSaltmarsh(page)
  await cell(page, 'Name, new size').fill('tern 4-16')
  await cell(page, 'vCPU, tern 4-16').fill('4')
  await cell(page, 'GiB of memory, tern 4-16').fill('16')
  await cell(page, 'Price, tern 4-16').fill('0.1')
  await page.getByRole('button', { name: 'Add it to the plan' }).click()
  await page.getByRole('button', { name: 'Rests on 9 assumed answers' }).click()
  const lines = page.getByRole('list', { name: 'What assumptions are worth' })
  // 744 h less the hour that clocks skip in Lisbon are 743 of the office week’s zone; the book’s month has 744.
  await expect(lines).toContainText(
    'If a machine that is off is charged, this month is € 74.40 in place of € 18.42 (+55.98). Look this one up first.',
  )
  await page.getByRole('button', { name: 'When off is assumed. It is so' }).click()
  await expect(lines).not.toContainText('that is off is charged')
  await pick(page, 'Manner of charging', /until deleted/)
  // The machine goes along to the terms and the state that the book has now, and costs what was foretold.
  await expect(page.getByRole('table', { name: 'What is charged when' })).toContainText('stopped')
  await expect(total(page)).not.toHaveText(/€ (18\.42|0\.00)/)
  await page.getByRole('button', { name: /^Undo in the book: charge/ }).click()
  await page.getByRole('button', { name: /^Undo: machines at/ }).click()
  await expect(total(page)).toHaveText('€ 18.42')
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
})

test('what the account may do closes sizes, counts in quotas, and is taken back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=prices')
  await page.getByRole('button', { name: 'What your account may do at Fennmark' }).click()
  await page.getByRole('textbox', { name: /^At most so many vCPU in all/ }).fill('20')
  await page.getByRole('textbox', { name: /^At most so many vCPU in all/ }).press('Tab')
  await page.getByRole('checkbox', { name: 'Kite' }).uncheck({ force: true })
  expect(await axeFindings(page, { within: '[role="dialog"]' })).toEqual([])
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(page.getByRole('row', { name: /^Fennmark vCPU 20 / })).toBeVisible()
  await bench.turnTo('/?machine=timetable-loadgen')
  await bench.slider('Size').press('Enter')
  await expect(page.getByRole('row', { name: /Kite 4\/16/ })).toContainText(
    'does not sell Kite 4/16 to your account',
  )
  await page.keyboard.press('Escape')
  await bench.undo.click()
  await expect(page.getByRole('button', { name: /^Undo: the account at Fennmark/ })).toBeVisible()
})

test('a book is changed like a document: a place, terms, figures, and a new edition that says what changed', async ({
  page,
}) => {
  const bench = await beginSaltmarsh(page)
  for (const [field, text] of [
    ['Name, new size', 'tern 4-16'],
    ['vCPU, tern 4-16', '4'],
    ['GiB of memory, tern 4-16', '16'],
    ['Price, tern 4-16', '0.1'],
  ] as const) {
    await cell(page, field).fill(text)
  }
  await expect(total(page)).toHaveText('€ 18.42')
  await page.getByRole('button', { name: 'Add it to the plan' }).click()
  await expect(page.getByRole('button', { name: /^Rests on/ })).toBeVisible()
  await page.getByRole('link', { name: 'Prices' }).click()
  await page.getByRole('button', { name: 'Places and terms…' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('A new place').fill('Porto 1')
  await dialog.getByLabel('A new place').press('Enter')
  await expect(dialog.getByText('PT')).toBeVisible()
  await dialog.getByLabel('New terms', { exact: true }).fill('A year')
  await dialog.getByLabel('New terms', { exact: true }).press('Enter')
  await expect(dialog.getByRole('button', { name: 'Delete A year' })).toBeVisible()
  expect(await axeFindings(page, { within: '[role="dialog"]' })).toEqual([])
  await dialog.getByRole('button', { name: 'Done' }).click()
  await pick(page, 'Place of the prices', 'Porto 1')
  // It is not sold there yet; once it is, it has a price on both.
  await expect(cell(page, 'Price, tern 4-16')).toHaveValue('')
  await cell(page, 'Price, tern 4-16').fill('0.11')
  await pick(page, 'Terms of the prices', 'A year')
  await expect(cell(page, 'Price, tern 4-16')).toHaveValue('')
  await cell(page, 'Price, tern 4-16').fill('0.07')
  await page.getByRole('button', { name: 'More figures' }).click()
  await cell(page, 'most disks of all sizes').fill('8')
  await cell(page, 'most disks of all sizes').press('Enter')
  await expect(cell(page, 'most disks, tern 4-16')).toHaveValue('8')
  await cell(page, 'hibernates, tern 4-16').fill('perhaps')
  await expect(page.getByText('yes, no or empty')).toBeVisible()
  await cell(page, 'hibernates, tern 4-16').fill('yes')
  await page.getByRole('button', { name: /^Undo in the book: figures of tern/ }).click()
  await expect(cell(page, 'hibernates, tern 4-16')).toHaveValue('')
  await page.getByRole('button', { name: 'Prices', exact: true }).click()
  await page.getByRole('button', { name: 'New edition of it…' }).click()
  await page.getByLabel(/^Its first day/).fill('2027-04-01')
  await page.getByLabel(/^Its first day/).press('Enter')
  await pick(page, 'Place of the prices', 'Fallow Quay')
  await cell(page, 'Price, tern 4-16').fill('0.15')
  await page.getByRole('button', { name: 'What changed…' }).click()
  await expect(page.getByTestId('edition-counts')).toHaveText('1 dearer0 cheaper0 new0 gone4 the same')
  // 184 h and 23 starts of 30 s, at 0.05 more.
  await expect(page.getByRole('group', { name: 'Machines under both editions' })).toContainText('+9.21')
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await bench.reload()
  await expect(page.getByTestId('edition-counts')).toContainText('1 dearer')
  await page.getByRole('button', { name: 'Back to the prices' }).click()
  await pick(page, 'Edition that is open', 'edition 2027-03-01')
  await expect(cell(page, 'Price, tern 4-16')).toHaveValue('0.1')
})
