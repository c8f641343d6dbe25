import { expect, test, type Page } from '@playwright/test'
import { readFileSync, writeFileSync } from 'node:fs'
import { largeBook, largePlan, usingAllRules, withAllRules } from '../bench/generate'
import { writePlan } from '../src/files/plan/planFile'
import { readPriceBook, writePriceBook } from '../src/files/priceBook/priceBookFile'
import { overviewDone, Workbench } from './workbench'

/** Nothing that is written on gauge and bench is cut or lies over something else. */

interface Fault {
  readonly text: string
  readonly why: string
}

/** Looks at every element that holds text by itself. */
const faultsOn = (page: Page): Promise<Fault[]> =>
  page.evaluate(() => {
    const faults: { text: string; why: string }[] = []
    const own: { text: string; box: DOMRect; element: Element }[] = []
    for (const element of document.querySelectorAll('main *, aside *, header *')) {
      const nodes = [...element.childNodes].filter(
        (node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim(),
      )
      if (nodes.length === 0 || element.closest('svg')?.getAttribute('aria-hidden') === 'false') continue
      const style = getComputedStyle(element)
      if (!element.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true })) continue
      // What only screen readers have is a point.
      if (style.clipPath !== 'none' || element.getBoundingClientRect().width <= 2) continue
      const text = nodes
        .map((node) => node.textContent!.trim())
        .join(' ')
        .slice(0, 60)
      const hides =
        style.overflowX !== 'visible' && style.overflowX !== 'auto' && style.overflowX !== 'scroll'
      if (hides && element.scrollWidth > element.clientWidth + 1) faults.push({ text, why: 'cut' })
      for (const node of nodes) {
        const range = document.createRange()
        range.selectNodeContents(node)
        for (const box of range.getClientRects()) if (box.width > 2) own.push({ text, box, element })
      }
    }
    const isShown = ({ box, element }: (typeof own)[number]): boolean => {
      // What scrolls away under something is not drawn there.
      let at: Element | null = element.parentElement
      while (at) {
        const style = getComputedStyle(at)
        if (/auto|scroll|hidden/.test(style.overflowY)) {
          const frame = at.getBoundingClientRect()
          if (box.bottom > frame.bottom || box.top < frame.top) return false
        }
        at = at.parentElement
      }
      return true
    }
    const seen = own.filter(isShown)
    for (const [i, one] of seen.entries()) {
      for (const other of seen.slice(i + 1)) {
        if (one.element.contains(other.element) || other.element.contains(one.element)) continue
        // The scale lies over plates that scroll under it, by intent.
        const sticky = (element: Element): boolean => element.closest('[data-sticky]') !== null
        if (sticky(one.element) !== sticky(other.element)) continue
        const wide = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left)
        const high = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top)
        if (wide > 2 && high > 4) faults.push({ text: one.text, why: `over ${other.text}` })
      }
    }
    return faults
  })

/** Waits until the plates have measured their place and laid their labels out. */
const platesLaidOut = (page: Page): Promise<void> =>
  expect(page.locator('[data-plate] [data-slots]').first()).toBeVisible()

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
  [1920, 1080],
] as const) {
  test(`at ${width} no word of gauge and bench is cut or overlaps`, async ({ page }) => {
    test.slow()
    await page.setViewportSize({ width, height })
    const bench = new Workbench(page)
    await bench.open('/?view=bench')
    await overviewDone(page)
    expect(await faultsOn(page)).toEqual([])
    const names = await page
      .getByRole('region', { name: 'Where the month goes' })
      .getByRole('rowheader')
      .allInnerTexts()
    expect(names.length).toBe(14)
    for (const name of names) {
      await bench.turnTo(`/?machine=${name}&view=gauge`)
      await platesLaidOut(page)
      expect([name, await faultsOn(page)]).toEqual([name, []])
    }
  })
}

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

test('nor of machines at a book of 1,200 sizes', async ({ page }, info) => {
  test.slow()
  const read = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
  if (!read.ok) throw new Error('data/fennmark.json is not valid')
  const pattern = { ...read.value, provider: { id: 'wide', name: 'Wide' } }
  const book = withAllRules(largeBook(pattern, { sizes: 1_200, regions: 12, diskKinds: 8 }))
  const plan = usingAllRules(largePlan(book, 3, 3), book)
  const [bookPath, planPath] = [info.outputPath('wide.book.json'), info.outputPath('wide.plan.json')]
  writeFileSync(bookPath, writePriceBook(book))
  writeFileSync(planPath, writePlan(plan))
  const bench = new Workbench(page)
  await bench.open()
  const input = page.locator('input[aria-label^="Plan, price book"]')
  await input.setInputFiles(bookPath)
  await expect(page.getByText(/^Wide, edition .* is in use/)).toBeVisible({ timeout: 60_000 })
  await input.setInputFiles(planPath)
  await expect(page.getByText('Large plan is open.')).toBeVisible({ timeout: 60_000 })
  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
    [1920, 1080],
  ] as const) {
    await page.setViewportSize({ width, height })
    await bench.turnTo('/?view=bench')
    await overviewDone(page)
    expect(await faultsOn(page)).toEqual([])
    for (const { name } of plan.machines) {
      await bench.turnTo(`/?machine=${name}&view=gauge`)
      await platesLaidOut(page)
      expect([name, await faultsOn(page)]).toEqual([name, []])
    }
  }
})

test('at 1280 the demo’s machines show all that can save, three of the watch list and the total at once', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  const bench = new Workbench(page)
  await bench.open('/?view=bench')
  await page.getByRole('button', { name: 'Keep the demo' }).click()
  const names = await page
    .getByRole('region', { name: 'Where the month goes' })
    .getByRole('rowheader')
    .allInnerTexts()
  for (const name of names) {
    await bench.turnTo(`/?machine=${name}&view=gauge`)
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
})
