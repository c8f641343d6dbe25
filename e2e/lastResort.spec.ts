import { expect, type Page } from '@playwright/test'
import { onOwnPage as test } from './openedPage'
import { unzipSync } from 'fflate'
import { readFileSync } from 'node:fs'
import { Workbench } from './workbench'

/** What a person can do where what is stored, or what stands in the address, is not what it should be. */

/** Changes the stored plan behind the page's back. */
const damage = (page: Page, part: Record<string, unknown>): Promise<void> =>
  page.evaluate(
    (changed) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('notchgauge')
        opening.onerror = () => reject(opening.error!)
        opening.onsuccess = () => {
          const store = opening.result.transaction('plan', 'readwrite').objectStore('plan')
          const reading = store.get('current')
          reading.onsuccess = () => {
            const row = reading.result as { file: object }
            store.put({ ...row, file: { ...row.file, ...changed } }).onsuccess = () => resolve()
          }
        }
      }),
    part,
  )

test('a stored plan of tomorrow is said, saved as it lies, and laid aside', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await expect(page.getByRole('banner').getByText('saved', { exact: true })).toBeVisible()
  await bench.saved()
  await damage(page, { format: 'notchgauge/plan/9', name: 'Of tomorrow' })
  await page.reload()
  await expect(page.getByRole('heading', { name: 'The stored plan cannot be opened' })).toBeVisible()
  await expect(page.getByText('written by a newer Notchgauge (version 9)')).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export everything as it lies' }).click()
  const zip = unzipSync(readFileSync(await (await download).path()))
  const plan = JSON.parse(new TextDecoder().decode(zip['plan/plan-current.json'])) as {
    file: { name: string }
  }
  expect([plan.file.name, Object.keys(zip).filter((name) => name.startsWith('editions/')).length]).toEqual([
    'Of tomorrow',
    5,
  ])
  await page.getByRole('button', { name: 'Take back the last edit' }).click()
  await expect(page.getByRole('alert').getByText('cannot be taken back')).toBeVisible()
  await page.getByRole('button', { name: 'Lay this plan aside and open the demo' }).click()
  await bench.priced()
  await bench.choosePlanMenu('Plans…')
  await page.getByRole('button', { name: 'Open Of tomorrow' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'newer Notchgauge' })).toBeVisible()
  const again = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save it as it lies' }).click()
  expect(readFileSync(await (await again).path(), 'utf8')).toContain('notchgauge/plan/9')
})

test('a page that stops while it is drawn says so in plain words, and has ways out', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(Intl.NumberFormat.prototype, 'format', {
      get: () => {
        throw new TypeError('boom is not a function')
      },
    })
  })
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'This page has stopped' })).toBeVisible()
  await expect(page.getByText('boom')).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Export everything as it lies' })).toBeVisible()
})

test('a price book is taken out, and everything is deleted, by an address of its own', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await bench.saved()
  await page.goto('/ways-out')
  await page.getByRole('button', { name: /^Export and delete tidewright/ }).click()
  await bench.priced()
  await page.goto('/ways-out')
  await expect(page.getByRole('button', { name: /^Export and delete fennmark/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Export and delete tidewright/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Delete everything and start over' }).click()
  await page.getByRole('button', { name: 'Yes, delete everything' }).click()
  await bench.priced()
  await expect(page.getByText('This is a demo', { exact: false })).toBeVisible()
})

test('whatever stands in the address, the page opens', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const words = [
    '__proto__',
    'constructor',
    'tag:__proto__',
    'tag:constructor',
    'tag:nobody',
    '',
    '%00',
    '-1',
    'x'.repeat(900),
  ]
  const fields = [
    'by',
    'sort',
    'machine',
    'month',
    'reading',
    'day',
    'list',
    'rate',
    'fold',
    'meters',
    'states',
  ]
  const views = ['bench', 'gauge', 'month', 'ledger', 'book', 'toString', 'hand-off', 'terms', 'week']
  for (const [i, view] of views.entries()) {
    const query = fields.map((field, j) => `${field}=${encodeURIComponent(words[(i + j) % words.length]!)}`)
    await page.evaluate(
      (address) => window.history.pushState(null, '', address),
      `/?view=${view}&${query.join('&')}`,
    )
    await expect(page.getByTestId('plan-totals')).toBeVisible()
  }
  for (const word of words.slice(0, 5)) {
    await page.goto(`/?view=bench&by=${word}`)
    await bench.priced()
    await expect(page.getByRole('region', { name: 'Where the month goes' })).toBeVisible()
  }
  for (const pair of [
    ['constructor', '__proto__'],
    ['fennmark', 'nowhere'],
    ['', ''],
  ]) {
    await page.goto(`/?view=book&provider=${pair[0]}&edition=${pair[1]}&rate=/__proto__/constructor`)
    await bench.priced()
  }
})
