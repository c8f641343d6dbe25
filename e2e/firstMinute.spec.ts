import { expect } from '@playwright/test'
import { axeFindings } from './axe'
import { cents, Workbench } from './workbench'
import { test } from './openedPage'

/** What a newcomer meets: one sentence and three doors, a look around, and how plates are read. */

test('the look around changes the demo four times and leaves it as it was', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const planned = async () => cents((await bench.planTotal()).split('planned')[0]!)
  const start = await planned()
  await page.getByRole('button', { name: 'Look around' }).click()
  const tour = page.getByRole('note', { name: 'Look around' })
  for (const deed of [
    'Switch it off outside its hours',
    'Move it to Gdynia',
    'Give the hardware back when off',
    'Give it the depot’s hours',
  ]) {
    const before = await planned()
    await tour.getByRole('button', { name: deed }).click()
    await expect(tour).toContainText('less a month')
    const said = cents(/€ ([\d,.]+\d) less a month/.exec(await tour.innerText())![1]!)
    await expect.poll(planned).toBe(before - said)
    expect(await axeFindings(page, { within: '[role="note"]' })).toEqual([])
    await tour.getByRole('button', { name: /Go on|Undo all/ }).click()
  }
  await expect(tour).toBeHidden()
  await expect.poll(planned).toBe(start)
  // Who has seen it is not asked again, and finds it in the help.
  await bench.reload()
  await expect(page.getByRole('button', { name: 'Start with my prices' })).toBeHidden()
  await page.keyboard.press('?')
  const help = page.getByRole('dialog', { name: /^Help: / })
  await expect(help).toContainText('undo, redo')
  expect(await axeFindings(page)).toEqual([])
  await help.getByRole('button', { name: 'Look around the demo' }).click()
  await expect(tour).toBeVisible()
  await tour.getByRole('button', { name: 'End it' }).click()
  await expect.poll(planned).toBe(start)
})

test('how plates are read is met once, goes on with what is done, and is called back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=gauge')
  const legend = page.getByRole('note', { name: 'How to read the plates' })
  await expect(legend).toContainText('Each slot is a choice')
  const plate = bench.plate('On hours')
  const drawing = plate.locator('[data-slots]')
  const lookAt = async (at: number, on = drawing): Promise<void> => {
    const slots = ((await on.getAttribute('data-slots')) ?? '').split(' ').map(Number)
    const { x, y } = (await on.boundingBox())!
    await page.mouse.move(x + slots[at]!, y + 14)
  }
  await lookAt(0)
  await expect(legend).toContainText('A number counts choices')
  await lookAt(1)
  await expect(legend).toContainText('The band along a plate’s foot')
  await page.mouse.move(5, 5)
  await lookAt(1, bench.plate('Size').locator('[data-slots]'))
  await expect(legend).toContainText('All that is chosen now stands on one line, at € 58.17 a month')
  await page.mouse.move(5, 5)
  await bench.slider('On hours').press('ArrowLeft')
  await expect(legend).toContainText('The axis below')
  await bench.undo.click()
  await expect(legend).toBeHidden()
  await bench.reload()
  await expect(bench.slider('Size')).toBeVisible()
  await expect(legend).toBeHidden()
  await page.getByRole('button', { name: 'How to read this' }).click()
  await expect(legend).toContainText('Each slot is a choice')
  await legend.getByRole('button', { name: 'Close' }).click()
  await expect(legend).toBeHidden()
})
