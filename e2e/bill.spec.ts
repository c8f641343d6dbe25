import { expect, type Page } from '@playwright/test'
import { DuckDBInstance } from '@duckdb/node-api'
import { readFileSync, writeFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { axeFindings } from './axe'
import { cents, pick, saved, Workbench } from './workbench'
import { test } from './openedPage'

const bill = (page: Page) => page.getByTestId('bill')

async function compared(page: Page): Promise<void> {
  await expect(bill(page)).toHaveAttribute('aria-busy', 'false')
}

async function rehearse(page: Page, { nothing = false } = {}): Promise<void> {
  await page.getByRole('button', { name: 'Rehearse this month…' }).click()
  if (nothing) await page.getByRole('button', { name: 'Nothing goes wrong' }).click()
  await page.getByRole('button', { name: 'Rehearse', exact: true }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await compared(page)
}

/** What a machine was billed more than planned, in cents. */
const differenceOf = async (page: Page, machine: string): Promise<number> =>
  cents(await page.getByRole('row', { name: machine }).getByRole('cell').last().innerText())

/** Gives the page a bill, as if it were dropped. */
const openBill = (page: Page, name: string, buffer: Buffer) =>
  page.getByTestId('bill-file').setInputFiles({ name, mimeType: 'text/csv', buffer })

test('rehearse, find the forgotten machine, mend it, rehearse again', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=bill&month=2027-03')
  await expect(page.getByRole('heading', { name: 'March 2027 has no bill yet' })).toBeVisible()
  await rehearse(page, { nothing: true })
  await expect(page.getByRole('heading', { name: 'As planned' })).toBeVisible()
  await expect(page.getByText('Plan and bill agree to the cent.')).toBeVisible()

  await rehearse(page)
  const steps = page.getByRole('list', { name: 'From planned to billed' }).getByRole('listitem')
  const amounts = (await steps.locator('b').allInnerTexts()).map(cents)
  expect(amounts.slice(0, -1).reduce((sum, each) => sum + each, 0)).toBe(amounts.at(-1))
  expect(amounts[0]).toBe(cents((await bench.planTotal()).split('planned')[0]!))
  const forgotten = await differenceOf(page, 'delay-forecast')
  expect(forgotten).toBeGreaterThan(500)
  const cause = page.getByRole('listitem').filter({ hasText: 'delay-forecast was on for' })
  await expect(cause).toContainText('5, 6 and 7 March')
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await page.emulateMedia({ colorScheme: 'dark' })
  expect(await axeFindings(page, { within: 'main', coloursAlone: true })).toEqual([])

  // By keys alone: the press that mends it.
  const mend = cause.getByRole('button', { name: /^Auto-shutdown at / })
  await mend.focus()
  await page.keyboard.press('Enter')
  await expect(mend).toBeHidden()
  await compared(page)
  await rehearse(page)
  expect(await differenceOf(page, 'delay-forecast')).toBeLessThan(forgotten / 2)

  await bench.reload()
  await compared(page)
  expect(await differenceOf(page, 'delay-forecast')).toBeLessThan(forgotten / 2)
  await page.getByRole('button', { name: 'This bill' }).click()
  await page.getByRole('menuitem', { name: 'Delete it' }).click()
  await expect(page.getByRole('heading', { name: 'March 2027 has no bill yet' })).toBeVisible()
  await page.getByRole('button', { name: 'Put rehearsal 1 back' }).click()
  await compared(page)
})

test('a bill of half a month is compared so far, and forecast; what is none is said', async ({
  page,
}, info) => {
  const bench = new Workbench(page)
  await bench.open('/?view=hand-off&month=2027-03')
  const focus = await saved(page, async () => {
    await page.getByRole('button', { name: 'Export as a file' }).click()
    await page.getByRole('menuitem', { name: /FOCUS 1\.2$/ }).click()
  })
  const [heading, ...rows] = focus.trimEnd().split('\r\n')
  const at = heading!.split(',').findIndex((name) => name.includes('ChargePeriodStart'))
  const half = rows.filter((row) => row.split(',')[at]!.replaceAll('"', '') < '2027-03-16T12')
  await page.getByRole('link', { name: 'Bill', exact: true }).click()
  await openBill(page, 'half.csv.gz', gzipSync([heading, ...half].join('\r\n')))
  await compared(page)
  await expect(page.getByRole('heading', { name: 'As planned, so far' })).toBeVisible()
  await expect(page.getByTestId('forecast')).toContainText('expected for the whole month')
  await expect(page.getByText(/half\.csv\.gz, [\d,]+ rows, until 2027-03-1[56]/)).toBeVisible()

  // A rehearsal stands beside it.
  await rehearse(page, { nothing: true })
  await expect(page.getByRole('heading', { name: 'As planned', exact: true })).toBeVisible()
  await page.getByRole('radio', { name: 'Billed' }).click()
  await expect(page.getByRole('heading', { name: 'As planned, so far' })).toBeVisible()

  // A bill that is dropped on another screen is read all the same.
  await page.getByRole('link', { name: 'Bench' }).click()
  await page
    .getByLabel('Plan, price book or inventory to import')
    .setInputFiles({ name: 'whole.csv', mimeType: 'text/csv', buffer: Buffer.from(focus) })
  await compared(page)
  await expect(page.getByRole('heading', { name: 'As planned', exact: true })).toBeVisible()

  // The same as another engine packs it.
  writeFileSync(info.outputPath('whole.csv'), focus)
  const engine = await (await DuckDBInstance.create(':memory:')).connect()
  await engine.run(
    `COPY (FROM read_csv('${info.outputPath('whole.csv')}', all_varchar = true, header = true)) TO '${info.outputPath('whole.parquet')}' (FORMAT parquet, COMPRESSION snappy)`,
  )
  await openBill(page, 'whole.parquet', readFileSync(info.outputPath('whole.parquet')))
  await compared(page)
  await expect(page.getByText(/whole\.parquet, [\d,]+ rows/)).toBeVisible()
  await expect(page.getByRole('heading', { name: 'As planned', exact: true })).toBeVisible()

  // A resource of another name is tied to its machine once, and stays so.
  await openBill(page, 'renamed.csv', Buffer.from(focus.replaceAll('"signal-replay', '"box-7')))
  await compared(page)
  await expect(page.getByRole('heading', { name: 'As planned', exact: true })).toBeVisible()
  await expect(page.getByText('box-7 is not in the plan')).toBeVisible()
  await pick(page, 'Machine that box-7 belongs to', 'part of signal-replay')
  await compared(page)
  await expect(page.getByText('Plan and bill agree to the cent.')).toBeVisible()
  await bench.reload()
  await compared(page)
  await expect(page.getByText('Plan and bill agree to the cent.')).toBeVisible()

  await openBill(page, 'list.csv', Buffer.from('size,price\nsmall,0.1\n'))
  await expect(page.getByRole('heading', { name: 'The bill was not read' })).toBeVisible()
  await expect(page.getByText('ChargePeriodStart').first()).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('heading', { name: 'As planned', exact: true })).toBeVisible()
})

/** The demo's month as a provider would bill it. */
async function plannedBill(page: Page, month: string): Promise<string> {
  await new Workbench(page).open(`/?view=hand-off&month=${month}`)
  return saved(page, async () => {
    await page.getByRole('button', { name: 'Export as a file' }).click()
    await page.getByRole('menuitem', { name: /FOCUS 1\.2$/ }).click()
  })
}

test('from an empty plan: a bill becomes a plan with weeks and a saving; the next one is set against it', async ({
  page,
}) => {
  const march = await plannedBill(page, '2027-03')
  const april = await plannedBill(page, '2027-04')
  const bench = new Workbench(page)
  await bench.choosePlanMenu('Start an empty plan')
  await page.getByRole('link', { name: 'Bill', exact: true }).click()
  await openBill(page, 'march.csv', Buffer.from(march))
  await expect(page.getByRole('heading', { name: 'The bill of March 2027 as a plan' })).toBeVisible()
  await expect(page.getByText('14 machines with size, place, disks and hours')).toBeVisible()
  await expect(
    page.getByText(/On from 8 to 18 on working days alone, 5 of them would have cost € [\d.]+ less/),
  ).toBeVisible()
  await expect(page.getByRole('row', { name: /signal-replay heron-2-8 50 h a week 9\d %/ })).toBeVisible()
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await page.getByRole('button', { name: 'Make it a plan' }).press('Enter')
  await bench.priced()
  await expect(page.getByRole('heading', { name: /^Where March 2027 goes/ })).toBeVisible()

  await page.getByRole('link', { name: 'Bill', exact: true }).click()
  await compared(page)
  await openBill(page, 'april.csv', Buffer.from(april))
  await compared(page)
  await expect(page.getByRole('region', { name: 'Months with a bill' })).toContainText('April 2027')
  // Hours are those of the bill, but for the clock change and holidays: the bill stays near its plan.
  const replay = page.getByRole('row', { name: 'signal-replay' }).getByRole('cell')
  const [planned, billed] = (await replay.allInnerTexts()).slice(1, 3).map(cents)
  expect(Math.abs(planned! - billed!) / billed!).toBeLessThan(0.15)
})

test('a bill of another shape: what its columns mean is proposed, said, kept for the next one', async ({
  page,
}) => {
  const row = (day: string, what: string, cost: string): string =>
    `${day}.03.2027;signal-replay;${what};10;Std;${cost};${cost}0`
  const text = (days: readonly string[]): string =>
    [
      'Datum;Objekt;Leistung;Menge;Einheit;Einzelpreis;Betrag',
      ...days.map((day) => row(day, 'Rechner', '0,2')),
      row('02', 'Beratung', '9,9'),
    ].join('\n')
  const bench = new Workbench(page)
  await bench.open('/?view=bill&month=2027-03')
  await openBill(page, 'rechnung.csv', Buffer.from(text(['01', '02'])))
  const mapping = page.getByTestId('bill-mapping')
  await expect(mapping.getByRole('button', { name: /^What Datum is: begins on/ })).toBeVisible()
  await expect(mapping.getByTestId('bill-sums')).toContainText('10.3')
  await expect(mapping.getByRole('listitem').filter({ hasText: 'Beratung' })).toContainText(
    'not about machines',
  )
  await expect(mapping.getByText('Still to say: currency.')).toBeVisible()
  await expect(mapping.getByRole('button', { name: 'Read it so' })).toBeDisabled()
  await pick(page, 'Column of currency', 'the same in every row')
  const currency = mapping.getByRole('textbox', { name: 'currency of every row' })
  await currency.fill('EUR')
  await currency.press('Enter')
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await mapping.getByRole('button', { name: 'Read it so' }).press('Enter')
  await compared(page)
  await expect(page.getByRole('row', { name: 'signal-replay' })).toContainText('0.40')
  await expect(page.getByText('Beratung')).toBeAttached()

  // The next one of this shape is read at once, after a reload too.
  await bench.reload()
  await openBill(page, 'rechnung-2.csv', Buffer.from(text(['01', '02', '03'])))
  await expect(page.getByRole('row', { name: 'signal-replay' })).toContainText('0.60')
  await page
    .getByRole('button', { name: /^Rows of signal-replay/ })
    .first()
    .press('Enter')
  const rows = page.getByTestId('rows-beside')
  await expect(rows.getByRole('row').filter({ hasText: '2027-03-03' }).first()).toContainText(
    '10 Hours × 0.2',
  )
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
})

test('a rehearsal is watched hour by hour, by keys: money runs, the next mishap is a press away', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?view=bill&month=2027-03')
  await page.getByRole('button', { name: 'Rehearse this month…' }).press('Enter')
  await page.getByRole('button', { name: 'Watch it' }).press('Enter')
  const film = page.getByTestId('film')
  const money = page.getByTestId('film-money')
  await expect(money).toContainText('€ 0.00 spent')
  await film.getByRole('button', { name: 'Next mishap' }).press('Enter')
  await expect(film.getByRole('status')).not.toHaveText('Nothing has gone wrong yet.')
  await expect(film).toContainText(/[1-9] of \d+ mishaps/)
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await film.getByRole('button', { name: 'Play' }).press('Enter')
  await film
    .getByRole('radio', { name: 'a day a tick' })
    .or(film.getByRole('button', { name: 'a day a tick' }))
    .first()
    .click()
  await expect(film.getByRole('button', { name: 'Play' })).toBeVisible()
  await expect(money).toContainText(`${(await bench.planTotal()).split(' planned')[0]!.trim()} planned`)
  // To the first hour and to the last, by the keys of a slider.
  const bar = page.getByRole('slider', { name: 'Hour of the month' })
  await bar.press('Home')
  await expect(money).toContainText('€ 0.00 spent')
  await bar.press('End')
  const spent = (await money.innerText()).split(' spent')[0]!
  await page.getByRole('button', { name: 'Read its bill' }).press('Enter')
  await compared(page)
  const billed = page.getByRole('list', { name: 'From planned to billed' }).getByRole('listitem').last()
  expect(cents(await billed.locator('b').innerText())).toBe(cents(spent))
})

test('a machine that nobody planned is added as billed; what is left over is listed on the hand-off and ticked off', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?view=bill&month=2027-03')
  await page.getByRole('button', { name: 'Rehearse this month…' }).click()
  await page.getByRole('button', { name: 'Nothing goes wrong' }).click()
  const spare = page.getByRole('textbox', { name: /A machine appears/ })
  await spare.fill('100')
  await spare.press('Enter')
  await page.getByRole('button', { name: 'Rehearse', exact: true }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await compared(page)
  const cause = page.getByRole('listitem').filter({ hasText: 'spare-signal-replay is not in the plan' })
  await cause.getByRole('button', { name: 'Add it to the plan' }).click()
  await expect(cause).toBeHidden()
  await compared(page)
  expect(Math.abs(await differenceOf(page, 'spare-signal-replay'))).toBeLessThan(
    cents(await page.getByRole('row', { name: 'spare-signal-replay' }).getByRole('cell').nth(2).innerText()),
  )
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(cause).toBeVisible()

  const plan = JSON.parse(readFileSync('data/larkspur-trams.json', 'utf8')) as object
  const left = [{ resource: 'disks of kiosk-old', month: '2027-03', cost: '8.07' }]
  const buffer = Buffer.from(JSON.stringify({ ...plan, cleanUp: left }))
  await page
    .getByLabel('Plan, price book or inventory to import')
    .setInputFiles({ name: 'left.json', mimeType: 'application/json', buffer })
  await expect(page.getByText(/depot test bench is open/)).toBeVisible()
  await page.getByRole('link', { name: 'Hand-off' }).click()
  const part = page.getByRole('region', { name: 'To clean up' })
  await expect(part).toContainText('disks of kiosk-old, € 8.07 in March 2027')
  await part.getByRole('button', { name: 'disks of kiosk-old is deleted' }).press('Enter')
  await expect(part).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(part).toBeVisible()
})
