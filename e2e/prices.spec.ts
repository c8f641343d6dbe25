import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { Workbench, pick } from './workbench'

/** A person's own prices: typed, pasted, taken back, and what of them is only assumed. */

const cell = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true })
const total = (page: Page) => page.getByTestId('book-total')

/** Begins a provider on an empty plan in March 2027. */
async function begin(page: Page): Promise<Workbench> {
  // The plan opens on the month that is now.
  await page.clock.setFixedTime('2027-03-10T09:00:00Z')
  const bench = new Workbench(page)
  await bench.open('/')
  await page.getByRole('button', { name: 'Start an empty plan' }).click()
  await page.getByLabel('Provider').fill('Saltmarsh')
  await page.getByLabel('Place').fill('Fallow Quay')
  await page.getByRole('button', { name: 'Type its prices' }).click()
  await expect(page.getByRole('grid', { name: 'Sizes' })).toBeVisible()
  return bench
}

test('three sizes from a page and a first machine on its own week, by the keyboard alone', async ({
  page,
}) => {
  await page.clock.setFixedTime('2027-03-10T09:00:00Z')
  const bench = new Workbench(page)
  await bench.open('/')
  const press = (key: string) => page.keyboard.press(key)
  const type = (text: string) => page.keyboard.type(text)
  await page.getByRole('button', { name: 'Start an empty plan' }).focus()
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
  await expect(bench.slider('Size')).toBeVisible()
  await expect(page.getByText('Rests on 7 assumed answers')).toBeVisible()
  await expect(page.getByText('To check, since the price book does not say: what disks cost')).toBeVisible()
  expect(await bench.total()).toBe(3.76)
  await bench.reload()
  expect(await bench.total()).toBe(3.76)
})

test('a disk is typed, a price is changed, and both are taken back in the book', async ({ page }) => {
  await begin(page)
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
  const bench = await begin(page)
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
  await expect(page.getByRole('button', { name: /^Remove / })).toHaveCount(3)
})

test('what is assumed says what it would cost, and is confirmed one by one', async ({ page }) => {
  await begin(page)
  await cell(page, 'Name, new size').fill('tern 4-16')
  await cell(page, 'vCPU, tern 4-16').fill('4')
  await cell(page, 'GiB of memory, tern 4-16').fill('16')
  await cell(page, 'Price, tern 4-16').fill('0.1')
  await page.getByRole('button', { name: 'Add it to the plan' }).click()
  await page.getByRole('button', { name: 'Rests on 7 assumed answers' }).click()
  const lines = page.getByRole('list', { name: 'What assumptions are worth' })
  // 744 h less the hour that clocks skip in Lisbon are 743 of the office week’s zone; the book’s month has 744.
  await expect(lines).toContainText(
    'If a machine that is off is charged, this month is € 74.40 in place of € 18.42 (+55.98). Look this one up first.',
  )
  await page.getByRole('button', { name: 'When off is assumed. It is so' }).click()
  await expect(lines).not.toContainText('that is off is charged')
  await pick(page, 'Manner of charging', /until deleted/)
  // The machine is on terms and in a state that the book does not have any more, and says so.
  await expect(page.getByRole('table', { name: 'What is charged when' })).toContainText('stopped')
  await page.getByRole('button', { name: /^Undo in the book: charge/ }).click()
  await expect(total(page)).toHaveText('€ 18.42')
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
})

/** Files, the provider, what the book holds, how many rows it is of, and an answer that is only assumed. */
const LISTS: readonly [readonly string[], string, string, string, string][] = [
  [
    ['saltmarsh.csv'],
    'Saltmarsh',
    '24 sizes 6 places 132 prices 660 on terms',
    '792 of 792 rows used',
    'vCPU is assumed',
  ],
  [['copperbeck.csv'], 'Copperbeck', '10 sizes 4 places 34 prices', '10 of 12 rows used', 'in is assumed'],
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

for (const [files, name, counts, used, assumed] of LISTS) {
  test(`the list of ${name} becomes a book without a word of help`, async ({ page }) => {
    await page.clock.setFixedTime('2027-03-10T09:00:00Z')
    const bench = new Workbench(page)
    await bench.open('/')
    await page.getByRole('button', { name: 'Start an empty plan' }).click()
    await page.getByTestId('list-file').setInputFiles(files.map((file) => `data/lists/${file}`))
    await expect(page.getByTestId('list-counts')).toContainText(counts)
    await expect(page.getByText(used)).toBeVisible()
    await expect(page.getByRole('button', { name: assumed }).first()).toBeVisible()
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
    const first = await total(page).innerText()
    await page.getByRole('button', { name: 'Use these prices' }).click()
    await expect(page.getByRole('heading', { name: `Prices of ${name}` })).toBeVisible()
    await expect(total(page)).toHaveText(first)
    await bench.reload()
    await expect(total(page)).toHaveText(first)
  })
}

test('what a column means is changed, a part is pointed at, and rows are asked for otherwise', async ({
  page,
}) => {
  const bench = await begin(page)
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
  await pick(page, 'Column of place', 'where')
  await pick(page, 'Column of price', 'each')
  await pick(page, 'Column of vCPU', 'what')
  await pick(page, 'Part of the cell that is vCPU', /“4” of/)
  await pick(page, 'Column of memory', 'what')
  await pick(page, 'Part of the cell that is memory', /“16” of/)
  await pick(page, 'What a price of the list is for', 'an hour')
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

test('a table is pasted from a page, with merged cells and footnotes', async ({ page }) => {
  await begin(page)
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
  await expect(page.getByRole('region', { name: 'The list' })).toContainText('C$ 0.06¹')
})

test('what the account may do closes sizes, counts in quotas, and is taken back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=prices')
  await page.getByRole('button', { name: 'What your account may do at Fennmark' }).click()
  await page.getByRole('textbox', { name: /^At most so many vCPU in all/ }).fill('20')
  await page.getByRole('textbox', { name: /^At most so many vCPU in all/ }).press('Tab')
  await page.getByRole('checkbox', { name: 'Kite' }).uncheck({ force: true })
  expect((await new AxeBuilder({ page }).include('[role="dialog"]').analyze()).violations).toEqual([])
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(page.getByRole('row', { name: /^Fennmark vCPU 20 / })).toBeVisible()
  await page.goto('/?machine=timetable-loadgen')
  await bench.slider('Size').press('Enter')
  await expect(page.getByRole('row', { name: /Kite 4\/16/ })).toContainText(
    'does not sell Kite 4/16 to your account',
  )
  await page.keyboard.press('Escape')
  await bench.undo.click()
  await expect(page.getByRole('button', { name: /^Undo: the account at Fennmark/ })).toBeVisible()
})

test('the next list of the same shape is read at one press, as the last one was', async ({ page }) => {
  await page.clock.setFixedTime('2027-03-10T09:00:00Z')
  const bench = new Workbench(page)
  await bench.open('/')
  await page.getByRole('button', { name: 'Start an empty plan' }).click()
  const counts = page.getByTestId('list-counts')
  await page.getByTestId('list-file').setInputFiles('data/lists/saltmarsh.csv')
  await expect(counts).toContainText('132 prices')
  await page.getByRole('button', { name: /^vCPU is assumed/ }).click()
  await pick(page, 'Manner of charging', /until deleted/)
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save the recipe' }).click()
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

test('a book is changed like a document: a place, terms, figures, and a new edition that says what changed', async ({
  page,
}) => {
  const bench = await begin(page)
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
  await expect(dialog.getByRole('button', { name: 'Remove A year' })).toBeVisible()
  expect((await new AxeBuilder({ page }).include('[role="dialog"]').analyze()).violations).toEqual([])
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
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  await bench.reload()
  await expect(page.getByTestId('edition-counts')).toContainText('1 dearer')
  await page.getByRole('button', { name: 'Back to the prices' }).click()
  await pick(page, 'Edition that is open', 'edition 2027-03-01')
  await expect(cell(page, 'Price, tern 4-16')).toHaveValue('0.1')
})
