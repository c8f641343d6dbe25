import { expect, test } from '@playwright/test'
import { Workbench } from './workbench'

const WEEK = '/?machine=timetable-loadgen&view=week'

test('figures change while painting, and Escape gives it up', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const start = await bench.total()
  const from = await bench.at(5, 9)
  const to = await bench.at(6, 12)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(to.x, to.y)
  await expect.poll(() => bench.total()).toBeGreaterThan(start)
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await expect.poll(() => bench.total()).toBe(start)
  await expect(bench.nothingToUndo).toBeDisabled()
})

test('the brush paints a block of days off', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  await page.getByRole('radio', { name: /Off/ }).click()
  await bench.drag(await bench.at(0, 12.1), await bench.at(4, 12.9))
  for (const day of ['Monday', 'Wednesday', 'Friday']) {
    await expect(page.getByRole('textbox', { name: `${day}, times on` })).toHaveValue(
      '08:00–12:00, 13:00–18:00',
    )
  }
  await bench.undo.click()
  await expect(page.getByRole('textbox', { name: 'Monday, times on' })).toHaveValue('08:00–18:00')
})

test('a shared week changes all its machines', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  await expect(page.getByText('shared by 5 machines')).toBeVisible()
  const replay = bench.machine('signal-replay')
  const before = await replay.innerText()
  const saturday = page.getByRole('textbox', { name: 'Saturday, times on' })
  await saturday.fill('8-18')
  await saturday.press('Enter')
  await expect(replay).not.toHaveText(before)
  await page.getByRole('button', { name: 'Week', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Copy for this machine alone' }).click()
  await expect(page.getByText('used by this machine alone')).toBeVisible()
})

test('text that is no time stays, says why, and changes nothing', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const start = await bench.total()
  const monday = page.getByRole('textbox', { name: 'Monday, times on' })
  await monday.fill('8 till late')
  await expect(page.getByText('is not a stretch of time')).toBeVisible()
  await monday.press('Enter')
  await expect(monday).toHaveValue('8 till late')
  expect(await bench.total()).toBe(start)
  await monday.press('Escape')
  await expect(monday).toHaveValue('08:00–18:00')
})

test('zone, dates off and the state when off are part of the week', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const zone = page.getByRole('combobox', { name: 'Time zone of this week' })
  await zone.fill('Kolkata')
  await page
    .getByRole('option', { name: 'Asia/Kolkata' })
    .or(page.getByRole('option', { name: 'Asia/Calcutta' }))
    .click()
  await expect(page.getByText('no clock changes in the next twelve months')).toBeVisible()
  const before = await bench.total()
  const dates = page.getByRole('textbox', { name: 'Dates of an exception' })
  await dates.fill('2027-03-22, 2027-03-24 to 2027-03-25')
  await dates.press('Enter')
  await expect.poll(() => bench.total()).toBeLessThan(before)
  await page.getByRole('button', { name: /When off/ }).click()
  await page.getByRole('option', { name: /Stopped/ }).click()
  await expect.poll(() => bench.total()).toBeGreaterThan(before)
})

test('a second tab follows, and undo works over a reload', async ({ context }) => {
  const [left, right] = [new Workbench(await context.newPage()), new Workbench(await context.newPage())]
  await left.open(WEEK)
  await right.open(WEEK)
  const friday = (bench: Workbench) => bench.page.getByRole('textbox', { name: 'Friday, times on' })
  await friday(left).fill('8-16:30')
  await friday(left).press('Enter')
  await expect(friday(right)).toHaveValue('08:00–16:30')
  await right.reload()
  await right.undo.click()
  await expect(friday(left)).toHaveValue('08:00–18:00')
})

test('each gap can have its own state, and the cheapest for all is one press', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=signal-replay&view=week&month=2027-03')
  const start = await bench.total()
  const nights = page.getByRole('radiogroup', { name: 'When off for 14 h' })
  await nights.getByRole('radio', { name: /^Stopped/ }).click()
  await expect.poll(() => bench.total()).toBeGreaterThan(start)
  await expect(page.getByRole('button', { name: /By length of the gap.*When off/ })).toBeVisible()
  const weekends = page.getByRole('radiogroup', { name: 'When off for 62 h' })
  await expect(weekends.getByRole('radio', { name: /^Deallocated/ })).toBeChecked()
  await page.reload()
  await expect(nights.getByRole('radio', { name: /^Stopped/ })).toBeChecked()
  const all = page.getByRole('button', { name: /Take the cheapest for every gap/ })
  await all.focus()
  await page.keyboard.press('Enter')
  await expect.poll(() => bench.total()).toBe(start)
  await expect(page.getByText('Every gap has its cheapest state.')).toBeVisible()
})

test('a shared week says what its changes do to each machine, and goes back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=signal-replay&view=week&month=2027-03')
  const start = await bench.total()
  await page.getByRole('button', { name: 'Take: The last day off' }).click()
  await expect(page.getByRole('textbox', { name: 'Friday, times on' })).toHaveValue('')
  await expect(page.getByText('since you opened it')).toBeVisible()
  await page.getByRole('button', { name: '5 machines' }).first().click()
  await expect(page.getByRole('row', { name: /timetable-loadgen € \d+\.\d\d € \d+\.\d\d € −/ })).toBeVisible()
  await page.getByRole('button', { name: 'Back to then' }).click()
  await expect.poll(() => bench.total()).toBe(start)
  await expect(page.getByText('since you opened it')).toBeHidden()
})

test('schedules next to this one are priced over all its machines', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=signal-replay&view=week&month=2027-03')
  const near = page.getByRole('region', { name: 'Next to this week' })
  const row = near.getByRole('listitem').filter({ hasText: 'Every window ends an hour earlier' })
  await expect(row).toContainText(/€ −\d+\.\d\d/)
  const said = Number(/−(\d+\.\d\d)/.exec(await row.innerText())![1])
  const planned = async (): Promise<number> => {
    await bench.priced()
    return Number(/([\d,]+\.\d\d) planned/.exec(await bench.planTotal())![1]!.replaceAll(',', ''))
  }
  const before = await planned()
  await row.getByRole('button', { name: /^Take/ }).click()
  await expect.poll(async () => (before - (await planned())).toFixed(2)).toBe(said.toFixed(2))
})
