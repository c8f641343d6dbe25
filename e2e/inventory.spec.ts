import { expect } from '@playwright/test'
import { chooseTable, overviewDone, saved, Workbench } from './workbench'
import { test } from './openedPage'

test('rows that cannot be read are mended in place, and hold no other back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const table = 'name,size\n=cmd,Heron 2/8\nsignal-replay,Heron 2/8\nok,Heron 2/8\n'
  await chooseTable(page, 'list.csv', table)
  await expect(page.getByTestId('inventory-count')).toContainText('2 can be added, 1 cannot be read yet')
  await page.getByRole('button', { name: 'Add 2 machines' }).click()
  const cell = page.getByRole('textbox', { name: 'name in line 3' })
  await cell.fill('signal-replay-2')
  await cell.press('Enter')
  await expect(page.getByTestId('inventory-count')).toContainText('2 are in the plan. 1 can be added.')
  await page.getByRole('button', { name: 'Add 1 machine' }).click()
  await overviewDone(page)
  await expect(page.getByRole('link', { name: '=cmd' })).toBeVisible()
  // The next list with the same columns asks nothing again.
  await chooseTable(page, 'again.csv', 'name,size\nlast,Heron 2/8\n')
  await expect(page.getByRole('button', { name: 'Add 1 machine' })).toBeEnabled()
})

test('two thousand rows of a spreadsheet in another language are in within six presses', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const head =
    'Rechner;Anbieter;Standort;Kerne;Arbeitsspeicher (GB);Betriebssystem;Öffentliche Adresse;Kostenstelle'
  const rows = Array.from(
    { length: 2_000 },
    (_, i) =>
      `prüf-${i};Fenmark;${i % 3 === 0 ? 'Lissabon' : 'Gdynja'};${i % 2 ? 2 : 4};${i % 2 ? '7,5' : '15,5'};Linux;Ja;Gleisbau`,
  )
  // As such programs write it: one byte a letter.
  const text = [head, ...rows, ''].join('\r\n')
  await page.getByLabel('Plan, price book or inventory to import').setInputFiles({
    name: 'rechner.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(Uint8Array.from(text, (letter) => letter.charCodeAt(0))),
  })
  const dialog = page.getByRole('dialog', { name: 'Machines from rechner.csv' })
  await expect(page.getByRole('button', { name: /Separator of columns/ })).toContainText('a semicolon')
  await expect(page.getByRole('button', { name: /Encoding of the file/ })).toContainText('Windows-1252')
  await expect(page.getByRole('button', { name: /Decimal mark/ })).toContainText('a comma')
  await expect(page.getByRole('button', { name: /Unit of memory and disks/ })).toContainText('GB')
  await expect(dialog.getByText('4 vCPU, 15,5 GB').first()).toBeVisible()
  // One word has nothing near: said once, for all its rows.
  await expect(page.getByTestId('inventory-count')).toContainText('1333 can be added, 667 cannot be read yet')
  await page.getByRole('button', { name: /Meaning of Lissabon/ }).click()
  await page.getByRole('option', { name: 'Porto', exact: true }).click()
  await expect(page.getByTestId('inventory-count')).toContainText('2000 can be added.')
  await page.getByRole('button', { name: 'Add 2000 machines' }).click()
  await expect(dialog).toHaveCount(0)
  await bench.saved()
  // The next list of this kind asks nothing.
  await chooseTable(page, 'next.csv', [head, rows[0]!.replace('prüf-0', 'neu')].join('\n'))
  await expect(page.getByRole('button', { name: 'Add 1 machine' })).toBeEnabled()
})

test.describe('tables that will not do', () => {
  for (const [what, text, said] of [
    ['no rows', 'name,size\n', 'The table has no rows.'],
    ['a hundred thousand rows', `name,size\n${'a,b\n'.repeat(100_000)}`, 'more than 5000 rows'],
    ['an open quotation mark', 'name,size\n"a,b\n', 'A quotation mark is not closed'],
  ] as const) {
    test(`${what}: said, and nothing changed`, async ({ page }) => {
      const bench = new Workbench(page)
      await bench.open('/')
      await chooseTable(page, 'bad.csv', text)
      await expect(page.getByRole('dialog')).toContainText(said)
      await page.getByRole('button', { name: 'Cancel' }).click()
      await expect(bench.nothingToUndo).toBeVisible()
    })
  }
})

test('a storage that is full in the middle of an import keeps what is shown, and says so', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await bench.saved()
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if (this.name === 'plan') throw new DOMException('full', 'QuotaExceededError')
      return put.apply(this, args)
    }
  })
  await chooseTable(page, 'list.csv', 'name,size\nlate,Heron 2/8\n')
  await page.getByRole('button', { name: 'Add 1 machine' }).click()
  await expect(page.getByText('Changes are not being kept.')).toBeVisible()
  await expect(page.getByRole('link', { name: 'late', exact: true })).toBeVisible()
  const file = await saved(page, () => page.getByRole('button', { name: 'Export the plan' }).click())
  expect(JSON.parse(file)).toMatchObject({
    machines: expect.arrayContaining([expect.objectContaining({ name: 'late' })]),
  })
})
