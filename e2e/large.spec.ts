import { expect, test } from '@playwright/test'
import { readFileSync, writeFileSync } from 'node:fs'
import { largeBook, largePlan, usingAllRules, withAllRules } from '../bench/generate'
import { writePlan } from '../src/files/plan/planFile'
import { readPriceBook, writePriceBook } from '../src/files/priceBook/priceBookFile'
import { overlappingLabels, Workbench } from './workbench'

test('a book of 1,200 sizes and a plan of 1,000 machines: priced in the background, labels apart', async ({
  page,
}, info) => {
  test.slow()
  const read = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
  if (!read.ok) throw new Error('data/fennmark.json is not valid')
  const pattern = { ...read.value, provider: { id: 'wide', name: 'Wide' } }
  const book = withAllRules(largeBook(pattern, { sizes: 1_200, regions: 60, diskKinds: 8 }))
  const [bookPath, planPath] = [info.outputPath('wide.book.json'), info.outputPath('wide.plan.json')]
  writeFileSync(bookPath, writePriceBook(book))
  writeFileSync(planPath, writePlan(usingAllRules(largePlan(book, 1_000, 40), book)))

  await page.emulateMedia({ reducedMotion: 'reduce' })
  const bench = new Workbench(page)
  await bench.open()
  const input = page.locator('input[aria-label^="Plan, price book"]')
  await input.setInputFiles(bookPath)
  await expect(page.getByText('Wide, edition 2027-01, is in use from 2027-01-01 on.')).toBeVisible({
    timeout: 60_000,
  })
  await input.setInputFiles(planPath)
  await expect(page.getByText('Large plan is open.')).toBeVisible({ timeout: 60_000 })
  await bench.priced()

  await expect(page.getByRole('button', { name: 'All 1200 choices of Size' })).toBeVisible()
  expect(await overlappingLabels(page)).toEqual([])
  // Only the rows in view are on the page, whatever the length of the list.
  expect(await page.getByRole('option').count()).toBeLessThan(60)

  const total = await bench.total()
  await bench.slider('Size').press('ArrowRight')
  await expect.poll(() => bench.total()).not.toBe(total)
  await bench.priced()
  await bench.slider('Size').press('Enter')
  const sizes = page.getByRole('grid', { name: 'Choices of Size' })
  await expect(sizes).toHaveAttribute('aria-rowcount', '1201')
  expect(await sizes.getByRole('row').count()).toBeLessThan(60)
  await page.getByRole('searchbox', { name: 'Search the choices' }).fill('Size 777')
  await expect(sizes.getByRole('row', { name: /Size 777/ })).toBeVisible()
  await page.getByRole('button', { name: 'Close the choices of Size' }).click()

  // Every charge of the month: more than a hundred thousand rows, of which only what is seen is drawn.
  await page.getByRole('link', { name: 'Ledger' }).click()
  await page.getByRole('radio', { name: 'whole plan' }).click()
  await page.getByRole('radio', { name: 'in time order' }).click()
  const grid = page.getByRole('grid', { name: 'Charges of the month' })
  await expect
    .poll(async () => Number(await grid.getAttribute('aria-rowcount')), { timeout: 60_000 })
    .toBeGreaterThan(100_000)
  await grid.focus()
  await page.keyboard.press('End')
  await expect(page.getByTestId('picked-amount')).toBeVisible()
  await expect(grid.getByRole('row').last()).toBeInViewport()
  expect(await grid.getByRole('row').count()).toBeLessThan(80)
  const frames = await page.evaluate(scrollThrough)
  // Rows are there soon after each step; none is left blank.
  expect(frames.blank).toBe(0)
})

/** Scrolls through the ledger in a hundred steps and counts those after which the middle of the view stays without a row. */
async function scrollThrough(): Promise<{ blank: number }> {
  const grid = document.querySelector<HTMLElement>('[role="grid"]')!
  const frame = (): Promise<void> => new Promise((resolve) => requestAnimationFrame(() => resolve()))
  let blank = 0
  for (let step = 0; step <= 100; step += 1) {
    grid.scrollTop = (grid.scrollHeight / 100) * step
    // Two frames are enough where nothing else runs; a busy machine may need some more.
    let isThere = false
    for (let tries = 0; tries < 12 && !isThere; tries += 1) {
      await frame()
      const { left, top, width, height } = grid.getBoundingClientRect()
      const found = document.elementFromPoint(left + width / 3, top + height / 2)
      isThere = Boolean(found?.closest('[role="row"]'))
    }
    if (!isThere) blank += 1
  }
  return { blank }
}
