import { expect, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { axeFindings } from './axe'
import { beginSaltmarsh, pick, pickColumn, Workbench } from './workbench'
import { test } from './openedPage'

/** Price lists of any shape: a book by what is proposed, what is answered otherwise, and the next list. */

const total = (page: Page) => page.getByTestId('book-total')

/** Files, the provider, what the book holds, how many rows it is of, and an answer that is only assumed. */
const LISTS: readonly [readonly string[], string, string, string, string][] = [
  [
    ['saltmarsh.csv'],
    'Saltmarsh',
    '24 sizes 6 places 132 prices 660 on terms',
    '792 of 792 rows used',
    'vCPU is assumed',
  ],
  [
    ['copperbeck.csv'],
    'Copperbeck',
    '10 sizes 4 places 34 prices',
    '10 of 12 rows used',
    'prices is assumed',
  ],
  [
    ['hartwell-yard.json'],
    'Hartwell Yard',
    '18 sizes 4 places 65 prices 124 on terms',
    '209 of 398 rows used',
    'What is looked up is assumed',
  ],
  [
    ['windle.xlsx'],
    'Windle',
    '12 sizes 3 places 35 prices 70 on terms',
    '18 of 18 rows used',
    'prices is assumed',
  ],
  [
    ['osier-sizes.csv', 'osier-prices.csv', 'osier-disks.txt'],
    'Osier',
    '10 sizes 3 places 27 prices 27 on terms',
    '60 of 61 rows used',
    'counted as is assumed',
  ],
  [
    ['kettle-lane.html'],
    'Kettle Lane',
    '8 sizes 2 places 16 prices 16 on terms',
    '10 of 10 rows used',
    'Where places are is assumed',
  ],
]

test('lists of six shapes become books without a word of help', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await page.getByRole('button', { name: 'Start with my prices' }).click()
  for (const [i, [files, name, counts, used, assumed]] of LISTS.entries()) {
    await page.getByTestId('list-file').setInputFiles(files.map((file) => `data/lists/${file}`))
    await expect(page.getByTestId('list-counts'), name).toContainText(counts)
    await expect(page.getByText(used)).toBeVisible()
    await expect(page.getByRole('button', { name: assumed }).first()).toBeVisible()
    expect(await axeFindings(page, i > 0 ? { within: 'main' } : {})).toEqual([])
    if (i + 1 < LISTS.length) await page.getByRole('button', { name: 'Give up' }).click()
  }
  const [, name] = LISTS.at(-1)!
  const first = await total(page).innerText()
  await page.getByRole('button', { name: 'Use these prices' }).click()
  await expect(page.getByRole('heading', { name: `Prices of ${name}` })).toBeVisible()
  await expect(total(page)).toHaveText(first)
  await bench.reload()
  await expect(total(page)).toHaveText(first)
})

test('what a column means is changed, a part is pointed at, and rows are asked for otherwise', async ({
  page,
}) => {
  const bench = await beginSaltmarsh(page)
  await page.getByTestId('list-file').setInputFiles({
    name: 'own-list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'what;where;kind;each\n' +
        'm 4/16;Here;a;0,10\nm 4/16;Here;b;0,15\nm 8/32;Here;a;0,20\nm 8/32;Here;b;0,30\nm 2/8;Here;a;9,00\nm 2/8;Here;b;0,09\n',
    ),
  })
  const counts = page.getByTestId('list-counts')
  await expect(counts).toBeVisible()
  await pickColumn(page, 'where', 'place')
  await pickColumn(page, 'each', 'price')
  await pick(page, 'Column of vCPU', 'what')
  await pick(page, 'Part of the cell that is vCPU', /“4” of/)
  await pick(page, 'Column of memory', 'what')
  await pick(page, 'Part of the cell that is memory', /“16” of/)
  await pick(page, 'Period of a price', 'an hour')
  // Of the two prices of each size the first kind was proposed.
  await expect(page.getByRole('button', { name: 'Only these rows is assumed. It is so' })).toBeVisible()
  await page.getByRole('button', { name: 'Take rows with any kind' }).click()
  await expect(page.getByText('Two answers for the price of')).toHaveCount(3)
  await pick(page, 'Filter by another column', 'kind')
  await pick(page, 'Wanted text of kind', 'b')
  await expect(counts).toContainText('3 sizes 1 place 3 prices')
  await expect(page.getByText('Two answers for the price of')).toHaveCount(0)
  await expect(page.getByText('m 4/16').first()).toBeVisible()
  await page.getByRole('combobox', { name: 'City of Here' }).fill('Leed')
  await page.getByRole('combobox', { name: 'City of Here' }).press('Enter')
  await expect(page.getByText('Not among the cities. Leeds?')).toBeVisible()
  await page.getByRole('combobox', { name: 'City of Here' }).fill('Leeds')
  await page.getByRole('combobox', { name: 'City of Here' }).press('Enter')
  await page.getByRole('button', { name: 'Undo in the list' }).click()
  await expect(page.getByRole('combobox', { name: 'City of Here' })).toHaveValue('')
  // The list stays while another screen is looked at.
  await page.getByRole('link', { name: 'Bench' }).click()
  await page.getByRole('link', { name: 'Prices' }).click()
  await expect(counts).toContainText('3 sizes 1 place 3 prices')
  // And after a reload, with all that was answered.
  await bench.reload()
  await expect(counts).toContainText('3 sizes 1 place 3 prices')
  await expect(page.getByRole('button', { name: /Wanted text of kind$/ })).toContainText('b')
  await page.getByRole('button', { name: 'Give up' }).click()
  await expect(page.getByRole('grid', { name: 'Sizes' })).toBeVisible()
})

test('prices that stand out are mended, taken as they are or left out, and stay so in the next list', async ({
  page,
}) => {
  await beginSaltmarsh(page)
  const rows = ['Oak 2,2,8,0.1', 'Oak 4,4,16,0.2', 'Oak 8,8,32,0.04', 'Oak 16,16,64,0.8', 'Oak 16,16,64,0.9']
  const list = (name: string) => ({
    name,
    mimeType: 'text/csv',
    buffer: Buffer.from(['machine,vCPU,memory GiB,EUR per hour', ...rows].join('\n')),
  })
  await page.getByTestId('list-file').setInputFiles(list('march.csv'))
  const oak8 = page.getByRole('group', { name: 'What to do about Oak 8' })
  await oak8.getByRole('textbox').fill('0,4')
  await expect(oak8).toContainText('A price such as 0.2067.')
  await oak8.getByRole('textbox').fill('0.4')
  await oak8.getByRole('textbox').press('Enter')
  await expect(oak8).toHaveCount(0)
  const oak16 = page.getByRole('group', { name: 'What to do about Oak 16' })
  await oak16.getByRole('button', { name: 'Take 0.9' }).click()
  await expect(page.getByText('2 prices were answered by hand.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo in the list' }).click()
  await oak16.getByRole('button', { name: 'Leave it out' }).click()
  await expect(oak16).toHaveCount(0)
  await page.getByRole('button', { name: 'Use these prices' }).click()
  // Headings, the empty row at the end, and three sizes.
  await expect(page.getByRole('grid', { name: 'Sizes' })).toHaveAttribute('aria-rowcount', '5')
  await page.getByTestId('list-file').setInputFiles(list('april.csv'))
  await expect(page.getByText('2 prices were answered by hand.')).toBeVisible()
  await page.getByRole('button', { name: 'Ask again' }).click()
  await expect(oak8).toBeVisible()
})

test('a table is pasted from a page, with merged cells and footnotes', async ({ page }) => {
  await beginSaltmarsh(page)
  await page.getByRole('button', { name: 'Paste a table…' }).click()
  await page.getByLabel('Paste a table here').waitFor()
  await page.evaluate(() => {
    const rows = [
      '<tr><th rowspan=2>Machine</th><th rowspan=2>vCPU</th><th rowspan=2>RAM GiB</th><th colspan=2>from, per hour</th></tr>',
      '<tr><th>Leeds</th><th>Kobe</th></tr>',
      '<tr><td>Kettle 2</td><td>2</td><td>8</td><td>C$ 0.05*</td><td>C$ 0.06¹</td></tr>',
      '<tr><td>Kettle 4</td><td>4</td><td>16</td><td>C$ 0.10</td><td>–</td></tr>',
    ]
    const data = new DataTransfer()
    data.setData('text/html', `<table>${rows.join('')}</table><p>*without tax</p>`)
    data.setData('text/plain', 'x')
    const field = document.querySelector('textarea')!
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  await expect(page.getByTestId('list-counts')).toContainText('2 sizes 2 places 3 prices')
  await expect(page.getByRole('region', { name: 'The list', exact: true })).toContainText('C$ 0.06¹')
})

test('the next list of the same shape is read at one press, as the last one was', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await page.getByRole('button', { name: 'Start with my prices' }).click()
  const counts = page.getByTestId('list-counts')
  await page.getByTestId('list-file').setInputFiles('data/lists/saltmarsh.csv')
  await expect(counts).toContainText('132 prices')
  await page.getByRole('button', { name: /^vCPU is assumed/ }).click()
  await pick(page, 'Manner of charging', /until deleted/)
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export the recipe' }).click()
  const recipe = readFileSync(await (await saved).path(), 'utf8')
  expect(recipe).toContain('notchgauge/price-recipe/1')
  await page.getByRole('button', { name: 'Give up' }).click()
  // Whoever is given the recipe reads the list with it at once.
  await page.locator('input[aria-label^="Plan, price book"]').setInputFiles({
    name: 'saltmarsh.recipe.json',
    mimeType: 'application/json',
    buffer: Buffer.from(recipe),
  })
  await expect(
    page.getByText('Price lists of this shape are read as those of Saltmarsh from now on.'),
  ).toBeVisible()
  await page.getByTestId('list-file').setInputFiles('data/lists/saltmarsh.csv')
  await expect(page.getByText('read as the last list of this shape was')).toBeVisible()
  await page.getByRole('button', { name: 'Use these prices' }).click()
  await expect(page.getByRole('grid', { name: 'Sizes' })).toBeVisible()
  await bench.reload()
  await page.getByTestId('list-file').setInputFiles({
    name: 'april.csv',
    mimeType: 'text/csv',
    buffer: readFileSync('data/lists/saltmarsh.csv'),
  })
  await expect(page.getByText('read as the last list of this shape was')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Prices of Saltmarsh' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Manner of charging$/ })).toContainText('until deleted')
  await expect(page.getByRole('button', { name: /^vCPU is assumed/ })).toHaveCount(0)
})

test('what a column is taken for is said above it; cells that fail stand out', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=prices')
  await page.getByTestId('list-file').setInputFiles({
    name: 'lathe.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Offer,vCPU,RAM GiB,Where,Cost one,Cost two\nOak 2,2,8,Leeds,"0,040","0,080"\nOak 4,4,16,Leeds,"0,080",ask us\n',
    ),
  })
  const counts = page.getByTestId('list-counts')
  await expect(counts).toContainText('2 sizes 1 place')
  const list = page.getByRole('region', { name: 'The list', exact: true })
  await pickColumn(page, 'Cost one', 'not used')
  await pickColumn(page, 'Cost two', 'price')
  await expect(counts).toContainText('1 size 1 place 1 prices')
  await expect(list.getByText('0.080 an hour').first()).toBeVisible()
  await expect(list.locator('td[data-fault]')).toContainText('ask us')
  await page.getByRole('button', { name: 'Undo in the list' }).click()
  await page.getByRole('button', { name: 'Undo in the list' }).click()
  await pickColumn(page, 'Cost one', 'price')
  await expect(list.getByText('0.040 an hour').first()).toBeVisible()
})

test('what looks wrong in a whole list is mended at a press', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=prices')
  await page.getByTestId('list-file').setInputFiles({
    name: 'dear.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Machine,vCPU,RAM GiB,Where,EUR/h\nOak 2,2,8,Leeds,58.4\nOak 4,4,16,Leeds,116.8\n'),
  })
  await expect(page.getByText('Looks wrong')).toBeVisible()
  await page.getByRole('button', { name: 'Prices are for a calendar month' }).click()
  await expect(page.getByText('Looks wrong')).toHaveCount(0)
  await expect(page.getByText('58.4 a calendar month')).toBeVisible()
})
