import { expect, type Page } from '@playwright/test'
import { overlappingLabels, overviewDone, Workbench } from './workbench'
import { faultsOn, platesLaidOut, wholeAtEachWidth } from './written'
import { test } from './openedPage'

/** At 1280: what can save, three of the watch list and the total are seen at once. */
async function allAtAGlance(page: Page, name: string): Promise<void> {
  await expect(page.getByTestId('machine-total')).toBeInViewport({ ratio: 1 })
  const saves = page.getByRole('region', { name: 'Can save' })
  if ((await saves.count()) > 0) {
    const box = (await saves.boundingBox())!
    expect([name, box.y + box.height < 765]).toEqual([name, true])
  }
  const items = page.getByRole('region', { name: 'Watch list' }).getByRole('listitem')
  for (let i = 0; i < Math.min(3, await items.count()); i += 1) {
    await expect(items.nth(i)).toBeInViewport({ ratio: 0.9 })
  }
}

test('at every width no word of bench and gauge is cut or overlaps, and a machine is seen at a glance', async ({
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const bench = new Workbench(page)
  await bench.open('/?view=bench')
  await overviewDone(page)
  await wholeAtEachWidth(page, 'bench')
  await page.getByRole('button', { name: 'Keep the demo' }).click()
  const names = await page
    .getByRole('region', { name: 'Where the month goes' })
    .getByRole('rowheader')
    .allInnerTexts()
  expect(names.length).toBe(14)
  for (const name of names) {
    await bench.turnTo(`/?machine=${name}&view=gauge`)
    await platesLaidOut(page)
    await wholeAtEachWidth(page, name)
    await expect.poll(() => overlappingLabels(page), name).toEqual([])
    await allAtAGlance(page, name)
  }
})

test('on a narrow page bench, month, week and state when off are whole, and are changed there', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const bench = new Workbench(page)
  await bench.open('/?view=bench')
  await overviewDone(page)
  expect(await faultsOn(page)).toEqual([])
  // 1280 x 800 at a zoom of 200 %.
  await page.setViewportSize({ width: 640, height: 400 })
  expect(await faultsOn(page)).toEqual([])
  await page.setViewportSize({ width: 390, height: 844 })
  const scrolls = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(await scrolls()).toBe(0)
  await page.getByRole('link', { name: 'timetable-loadgen', exact: true }).first().click()
  await page.getByRole('link', { name: 'Week', exact: true }).click()
  await bench.viewSettled('week')
  expect(await faultsOn(page)).toEqual([])
  expect(await scrolls()).toBe(0)
  const before = await bench.total()
  await page.getByRole('button', { name: /When off/ }).click()
  await page.getByRole('option', { name: /Deallocated/ }).click()
  await expect.poll(() => bench.total()).not.toBe(before)
  const monday = page.getByRole('textbox', { name: 'Monday, times on' })
  const deallocated = await bench.total()
  await monday.fill('9-12')
  await monday.press('Enter')
  await expect.poll(() => bench.total()).toBeLessThan(deallocated)
})
