import { expect, type Page } from '@playwright/test'
import { Workbench } from './workbench'
import { test } from './openedPage'

const found = (page: Page): Promise<void> =>
  expect(page.getByTestId('mix-screen')).toHaveAttribute('aria-busy', 'false')

test('where else the whole plan could run is found, taken in one step, and taken back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=mix&month=2027-03')
  await found(page)
  const mix = page.getByTestId('mix')
  const total = (await mix.innerText()).match(/€ [\d,.]+/)![0]
  await expect(
    page.getByRole('region', { name: 'All at one provider' }).getByRole('listitem'),
  ).not.toHaveCount(0)
  const planned = await bench.planTotal()

  await page.getByRole('textbox', { name: 'Places at the most' }).fill('1')
  await page.keyboard.press('Enter')
  await found(page)
  expect(new URL(page.url()).searchParams.get('places')).toBe('1')
  // At one place it is another.
  await expect(mix).not.toContainText(total)
  await page.getByRole('textbox', { name: 'Places at the most' }).fill('2')
  await page.keyboard.press('Enter')
  await found(page)
  await expect(mix).toContainText(total)

  await mix.getByRole('button', { name: /^Take all \d+ changes$/ }).click()
  // What was promised is what the plan then shows.
  await expect.poll(() => bench.planTotal()).toContain(total)
  await bench.undo.click()
  await expect.poll(() => bench.planTotal()).toBe(planned)
})
