import { expect, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { cents, overviewDone, pick, Workbench } from './workbench'
import { test } from './openedPage'

/** What the screens say is so. */

type PlanFile = { weeks: Record<string, unknown>[]; machines: Record<string, unknown>[] }

const texts = (page: Page, role: 'option' | 'button', name: RegExp): Promise<string[]> =>
  page
    .getByRole(role, { name })
    .evaluateAll((all) => all.map((each) => each.getAttribute('aria-label') ?? ''))
/** The amount that a text names with its currency. */
const named = (text: string): number => cents(/€ ([\d,.]+)/.exec(text)![1]!)
const sum = (amounts: readonly number[]): number => amounts.reduce((total, each) => total + each, 0)

/** Opens the demo plan with something changed in its file. */
async function openChanged(bench: Workbench, path: string, change: (plan: PlanFile) => void): Promise<void> {
  const plan = JSON.parse(readFileSync('data/larkspur-trams.json', 'utf8')) as PlanFile
  change(plan)
  await bench.open(path)
  const file = {
    name: 'changed.plan.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(plan)),
  }
  await bench.page.getByLabel('Plan, price book or inventory to import').setInputFiles(file)
  await expect(bench.undo).toBeVisible()
  await bench.priced()
}

test('the cheapest that fits is looked for at every provider, with any image that will do', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await page.getByRole('button', { name: 'Add a machine…' }).click()
  await pick(page, 'When it is on', 'Never off')
  const answer = page.getByTestId('need-answer')
  await expect(answer).toContainText('Ashlar 2/8 (2 vCPU, 8 GiB) in Gdynia')
  await expect(answer).toContainText('€ 12.23 a month')
  await pick(page, 'What it runs', 'a licensed desktop')
  await expect(answer).toContainText('Harbour')
  await pick(page, 'When it is on', 'Off all month')
  await expect(answer).toContainText('The cheapest that fits is')
})

test('a day that runs through does so whatever the auto-shutdown says, and no label says more', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await openChanged(bench, '/?view=month&machine=signal-replay', ({ weeks }) => {
    const week = weeks.find(({ id }) => id === 'depot-day')!
    week.autoShutdown = { at: '20:00', days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] }
    week.exceptions = [
      { from: '2027-03-08', to: '2027-03-09', does: 'on' },
      { from: '2027-03-09', does: 'off' },
    ]
  })
  for (const day of ['Monday 8 March', 'Tuesday 9 March']) {
    const option = page.getByRole('option', { name: new RegExp(`^${day}`) })
    await expect(option).toHaveAttribute(
      'aria-label',
      /24 h running, runs through|23 h .* running, runs through/,
    )
    await expect(option).not.toHaveAttribute('aria-label', /stays off/)
  }
})

for (const name of ['axle-counter-sim', 'timetable-loadgen']) {
  test(`days, months and sums of ${name} read the same in every view`, async ({ page }) => {
    const bench = new Workbench(page)
    await openChanged(bench, `/?view=month&month=2027-03&machine=${name}`, (plan) => {
      plan.machines = plan.machines.filter((machine) => machine.name === name)
    })
    const total = Math.round((await bench.total()) * 100)
    expect(total).toBeGreaterThan(1_000)
    const days = await texts(page, 'option', / (March|April|February), € /)
    expect(sum(days.map(named))).toBe(total)
    const year = named(await page.getByTestId('year-total').innerText())
    const months = (await texts(page, 'button', /^\w+ 202[78]: € /)).map(named)
    expect([months.length, months[0], sum(months)]).toEqual([12, total, year])
    await bench.saved()
    await bench.turnTo(`/?view=gauge&month=2027-03&machine=${name}`)
    await bench.priced()
    expect(Math.round((await bench.total()) * 100)).toBe(total)
    const table = page.getByRole('table', { name: 'Cost of each day' })
    expect((await table.getByRole('cell').allInnerTexts()).map(named)).toEqual(days.map(named))
    await bench.turnTo(`/?view=ledger&month=2027-03&machine=${name}`)
    await bench.priced()
    await expect.poll(async () => named(await page.getByTestId('ledger-total').innerText())).toBe(total)
    await bench.turnTo('/?view=bench&month=2027-03')
    await bench.priced()
    await overviewDone(page)
    expect(named(await page.getByTestId('ahead-total').innerText())).toBe(year)
    const ahead = page.getByRole('region', { name: 'Twelve months ahead' }).getByRole('row')
    const planned = await ahead.evaluateAll((rows) => rows.map((row) => row.querySelector('td')?.textContent))
    expect(planned.slice(1).map((text) => cents(text!))).toEqual(months)
  })
}

test('the bench says what ends within the twelve months: the same month with it and without', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?view=bench&month=2027-03')
  await overviewDone(page)
  const notes = page.getByRole('region', { name: 'Twelve months ahead' }).getByRole('listitem')
  await expect(
    notes.filter({
      hasText:
        /^October 2027: the free allowance “600 hours for the first year” of Tidewright ended on 2027-09-30: € [\d.]+ in place of € [\d.]+ with it, [+−][\d.]+$/,
    }),
  ).toHaveCount(1)
  await expect(
    notes.filter({
      hasText:
        /^January 2028: the price book of Plinthouse, .* ended on 2027-12-31 and no edition follows: € [\d.]+ without ticket-hall-screen, notice-board, in place of € [\d.]+ by it, −[\d.]+$/,
    }),
  ).toHaveCount(1)
})

test('a kept variant says that it follows its week, and keeps its hours once they are frozen', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?view=variants&machine=signal-replay')
  await page.getByRole('button', { name: 'Keep it as it is now' }).click()
  await expect(page.getByText('follows “Depot day”, and changes with it')).toBeVisible()
  await page.getByRole('button', { name: 'Freeze its hours' }).click()
  await expect(page.getByText('“Depot day, as kept”, its own')).toBeVisible()
  await bench.undo.click()
  await expect(page.getByRole('button', { name: 'Freeze its hours' })).toBeVisible()
})

test('a month that is not wholly priced is never within its budget', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?month=2026-11')
  await expect(page.getByTestId('budget')).toContainText('not wholly priced: without 13 of 14 machines')
  await expect(page.getByTestId('budget')).not.toContainText('within')
  await bench.turnTo('/?reading=730-hours')
  await expect(page.getByTestId('plan-totals')).toContainText('planned, read as 730 hours')
  await expect(page.getByTestId('budget')).toContainText('23 March 2027 at 14:12, by true hours')
})

test('warnings of access stand in Access, reserved names are refused and guessable ones said', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await openChanged(bench, '/?view=access&machine=signal-replay', ({ machines }) => {
    const machine = machines.find(({ name }) => name === 'signal-replay')!
    machine.address = 'none'
  })
  const administrator = page.getByRole('textbox', { name: 'Administrator' })
  await administrator.fill('root')
  await expect(page.getByText('It is reserved: the image has an account of that name')).toBeVisible()
  await administrator.fill('admin')
  await administrator.press('Enter')
  const warnings = page.getByRole('list', { name: 'Warnings of access' })
  await expect(warnings).toContainText('“admin” is among those that whoever guesses tries first')
  await page.getByRole('button', { name: 'Add a rule' }).click()
  await pick(page, 'From where, rule 1', 'anyone')
  await expect(warnings).toContainText('Rule 1 lets public addresses in, and it has no public address')
})

test('a machine has a first and a last day, and costs nothing before', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=gauge&machine=signal-replay')
  await page.getByRole('button', { name: 'Machine', exact: true }).click()
  await page.getByRole('menuitem', { name: 'First and last day…' }).click()
  const first = page.getByRole('textbox', { name: 'First day' })
  await first.fill('2027-4-1')
  await expect(page.getByText('Write a date like 2027-03-01, or nothing.')).toBeVisible()
  await first.fill('2027-04-02')
  await first.press('Enter')
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText(/there from 2027-04-02/)).toBeVisible()
  expect(await bench.total()).toBe(0)
})

test('the focus is never lost to the page’s body, and the bars can be skipped', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=gauge&machine=signal-replay')
  const onBody = () => page.evaluate(() => document.activeElement === document.body)
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the main part' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('main')).toBeFocused()
  await page.getByRole('button', { name: 'Keep the demo' }).press('Enter')
  await expect(page.locator('main')).toBeFocused()
  await bench.slider('Size').press('ArrowRight')
  await bench.undo.press('Enter')
  await expect(bench.nothingToUndo).toBeVisible()
  await expect.poll(onBody).toBe(false)
  await bench.turnTo('/?view=variants&machine=signal-replay')
  await page.getByRole('button', { name: 'Keep it as it is now' }).press('Enter')
  await page.getByRole('button', { name: 'Delete Variant 1', exact: true }).press('Enter')
  await expect(page.getByRole('button', { name: 'Delete Variant 1', exact: true })).toBeHidden()
  await expect.poll(onBody).toBe(false)
})

test('times and degrees are read as people write them, and one press takes a row of the list', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?view=gauge&machine=signal-replay')
  await bench.slider('Size').press('Enter')
  const list = page.getByRole('grid', { name: 'Choices of Size' })
  const before = await bench.total()
  await list.getByRole('row', { name: /Heron 2\/8 mk2/ }).click()
  await expect.poll(() => bench.total()).not.toBe(before)
  await page.keyboard.press('Escape')
  await bench.turnTo('/?view=week&machine=signal-replay')
  await pick(page, 'Days of the auto-shutdown', 'every day')
  const time = page.getByRole('textbox', { name: 'Time of the auto-shutdown' })
  await time.fill('8.30')
  await time.press('Enter')
  await expect(time).toHaveValue('08:30')
})
