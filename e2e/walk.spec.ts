import { expect } from '@playwright/test'
import { Workbench } from './workbench'
import { test } from './openedPage'

/** From the first look to a cheaper month and back, as a new user would. */

test('with the mouse only', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  await bench.machine('timetable-loadgen').click()
  await expect(page.getByRole('button', { name: 'Machine name: timetable-loadgen. Rename' })).toBeVisible()
  const start = await bench.total()

  await bench
    .plate('Place')
    .getByRole('button', { name: /^Gdynia c −/ })
    .click()
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Gdynia c, /)
  const elsewhere = await bench.total()
  expect(elsewhere).toBeLessThan(start)

  await bench
    .plate('Public address')
    .getByRole('button', { name: /^Changing −/ })
    .first()
    .click()
  await expect(bench.slider('Public address')).toHaveAttribute('aria-valuetext', /^Changing, /)
  const changing = await bench.total()
  expect(changing).toBeLessThan(elsewhere)

  await page.getByRole('link', { name: 'Week' }).click()
  await bench.paint([4, 18], [4, 16.5])
  await expect(page.getByRole('textbox', { name: 'Friday, times on' })).toHaveValue('08:00–16:30')
  const painted = await bench.total()
  expect(painted).toBeLessThan(changing)

  for (const back of [changing, elsewhere, start]) {
    await bench.undo.click()
    await expect.poll(() => bench.total()).toBe(back)
  }
  await expect(bench.nothingToUndo).toBeDisabled()

  await bench.reload()
  await expect(page.getByRole('link', { name: 'Week' })).toHaveAttribute('aria-current', 'page')
  await expect(page.getByRole('textbox', { name: 'Friday, times on' })).toHaveValue('08:00–18:00')
  expect(await bench.total()).toBe(start)
  await expect(page.getByRole('button', { name: /^Redo: / })).toBeEnabled()
})

test('with the keyboard only', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  const press = (key: string) => page.keyboard.press(key)
  const tabTo = async (reached: () => Promise<boolean>, key = 'Tab'): Promise<void> => {
    for (let i = 0; i < 40; i += 1) {
      if (await reached()) return
      await press(key)
    }
    throw new Error('not reached by Tab')
  }
  const focusIs = (selector: string) => () =>
    page.evaluate((wanted) => document.activeElement?.matches(wanted) ?? false, selector)

  await tabTo(focusIs('[role="option"]'))
  await press('ArrowDown')
  await expect(page.getByRole('button', { name: 'Machine name: timetable-loadgen. Rename' })).toBeVisible()
  const start = await bench.total()

  await tabTo(focusIs('[data-plate="place"] [role="slider"]'))
  // Past the other zone of its own region, which costs the same.
  await press('ArrowLeft')
  await press('ArrowLeft')
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Gdynia c, /)
  const elsewhere = await bench.total()
  expect(elsewhere).toBeLessThan(start)

  await tabTo(focusIs('[data-plate="address"] [role="slider"]'), 'ArrowUp')
  await expect(bench.slider('Public address')).toBeFocused()
  await press('ArrowLeft')
  await expect(bench.slider('Public address')).toHaveAttribute('aria-valuetext', /^Changing, /)
  const changing = await bench.total()
  expect(changing).toBeLessThan(elsewhere)

  await tabTo(focusIs('a[href*="view=week"]'), 'Shift+Tab')
  await press('Enter')
  await expect(page).toHaveURL(/view=week/)
  await expect(bench.grid).toBeVisible()

  await tabTo(focusIs('[data-testid="week-grid"]'))
  for (let i = 0; i < 4; i += 1) await press('ArrowDown')
  for (let i = 0; i < 8; i += 1) await press('Control+ArrowRight')
  for (let i = 0; i < 2; i += 1) await press('ArrowRight')
  for (let i = 0; i < 5; i += 1) await press('Shift+ArrowRight')
  await press('Delete')
  await expect(page.getByRole('textbox', { name: 'Friday, times on' })).toHaveValue('08:00–16:30')
  const painted = await bench.total()
  expect(painted).toBeLessThan(changing)

  for (const back of [changing, elsewhere, start]) {
    await press('Control+z')
    await expect.poll(() => bench.total()).toBe(back)
  }
  await press('Control+z')
  await bench.reload()
  expect(await bench.total()).toBe(start)
  await expect(bench.nothingToUndo).toBeDisabled()
})

test('by touch', async ({ browser }) => {
  const context = await browser.newContext({
    hasTouch: true,
    isMobile: true,
    viewport: { width: 1024, height: 768 },
  })
  const page = await context.newPage()
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=gauge')
  const start = await bench.total()
  await bench.plate('Place').getByRole('button', { name: 'All 27 choices of Place' }).tap()
  const row = page.getByRole('row', { name: /marked Gdynia c \d/ })
  await row.tap()
  await row.tap()
  await expect.poll(() => bench.total()).toBeLessThan(start)
  await page.getByRole('button', { name: 'Close the choices of Place' }).tap()
  await page.getByRole('link', { name: 'Week' }).tap()
  const box = (await bench.grid.boundingBox())!
  expect(box.width).toBeGreaterThan(200)
  await bench.undo.tap()
  await expect.poll(() => bench.total()).toBe(start)
  await context.close()
})
