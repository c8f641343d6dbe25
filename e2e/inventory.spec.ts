import { expect, test } from '@playwright/test'
import { chooseTable, overviewDone, saved, Workbench } from './workbench'

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
