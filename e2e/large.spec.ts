import { expect } from '@playwright/test'
import { readFileSync, writeFileSync } from 'node:fs'
import { largeBook, largePlan, usingAllRules, withAllRules } from '../bench/generate'
import { writePlan } from '../src/files/plan/planFile'
import { readPriceBook, writePriceBook } from '../src/files/priceBook/priceBookFile'
import { overlappingLabels, overviewDone, Workbench } from './workbench'
import { platesLaidOut, wholeAtEachWidth } from './written'
import { test } from './openedPage'

test('a book of 1,200 sizes: what is written stays whole, a large plan is priced in the background, labels apart', async ({
  page,
}, info) => {
  const read = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
  if (!read.ok) throw new Error('data/fennmark.json is not valid')
  const pattern = { ...read.value, provider: { id: 'wide', name: 'Wide' } }
  const book = withAllRules(largeBook(pattern, { sizes: 1_200, regions: 12, diskKinds: 8 }))
  const few = usingAllRules(largePlan(book, 3, 3), book)
  const paths = ['wide.book.json', 'few.plan.json', 'many.plan.json'].map((name) => info.outputPath(name))
  const [bookPath, fewPath, manyPath] = paths as [string, string, string]
  writeFileSync(bookPath, writePriceBook(book))
  writeFileSync(fewPath, writePlan(few))
  writeFileSync(
    manyPath,
    writePlan({ ...usingAllRules(largePlan(book, 400, 40), book), name: 'Larger plan' }),
  )

  await page.emulateMedia({ reducedMotion: 'reduce' })
  const bench = new Workbench(page)
  await bench.open()
  const input = page.locator('input[aria-label^="Plan, price book"]')
  await input.setInputFiles(bookPath)
  await expect(page.getByText('Wide, edition 2027-01, is in use from 2027-01-01 on.')).toBeVisible()

  await input.setInputFiles(fewPath)
  await expect(page.getByText('Large plan is open.')).toBeVisible()
  await bench.turnTo('/?view=bench')
  await overviewDone(page)
  await wholeAtEachWidth(page, 'bench')
  for (const { name } of few.machines) {
    await bench.turnTo(`/?machine=${name}&view=gauge`)
    await platesLaidOut(page)
    await wholeAtEachWidth(page, name)
  }

  await input.setInputFiles(manyPath)
  await expect(page.getByText('Larger plan is open.')).toBeVisible()
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

  // Every charge of the month: tens of thousands of rows, of which only what is seen is drawn.
  await page.getByRole('link', { name: 'Ledger' }).click()
  await page.getByRole('radio', { name: 'whole plan' }).click()
  await page.getByRole('radio', { name: 'in time order' }).click()
  const grid = page.getByRole('grid', { name: 'Charges of the month' })
  await expect.poll(async () => Number(await grid.getAttribute('aria-rowcount'))).toBeGreaterThan(40_000)
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
    // Two frames are enough where nothing else runs; a busy machine may need many more.
    let isThere = false
    for (let tries = 0; tries < 200 && !isThere; tries += 1) {
      await frame()
      const { left, top, width, height } = grid.getBoundingClientRect()
      const found = document.elementFromPoint(left + width / 3, top + height / 2)
      isThere = Boolean(found?.closest('[role="row"]'))
    }
    if (!isThere) blank += 1
  }
  return { blank }
}
