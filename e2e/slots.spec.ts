import { expect, type Locator, type Page } from '@playwright/test'
import { axeFindings } from './axe'
import { Workbench } from './workbench'
import { onOwnPage, test } from './openedPage'

/** What is in a slot is named where it stands: by pointer, finger and keys, without a list. */

const PLATE = 'Size'

interface Slots {
  /** Middles of the slots on the page. */
  readonly at: readonly { readonly x: number; readonly y: number }[]
}

async function slotsOf(plate: Locator): Promise<Slots> {
  const drawing = plate.locator('[data-slots]')
  const places = ((await drawing.getAttribute('data-slots')) ?? '').split(' ').map(Number)
  const { x, y } = (await drawing.boundingBox())!
  return { at: places.map((place) => ({ x: x + place, y: y + 14 })) }
}

const open = async (page: Page, machine = 'timetable-loadgen'): Promise<Workbench> => {
  const bench = new Workbench(page)
  await bench.open(`/?machine=${machine}&view=gauge`)
  await expect(bench.slider(PLATE)).toHaveAttribute('aria-valuetext', /^\w/)
  return bench
}

test('by mouse: every slot of every plate names its choices, and one is taken', async ({ page }) => {
  const bench = await open(page)
  const table = page.getByTestId('slot-table')
  for (const name of ['On hours', 'Size', 'Public address', 'Place', 'When off']) {
    const plate = bench.plate(name)
    for (const { x, y } of (await slotsOf(plate)).at) {
      await page.mouse.move(x, y)
      await expect(table.getByRole('button').first()).toContainText(/\w/)
      await expect(table).toHaveCount(1)
    }
  }
  await page.mouse.move(5, 5)
  await expect(table).toHaveCount(0)
  // Why the first closed one is closed, in figures, and what that need costs.
  const size = bench.plate('Size')
  const { at } = await slotsOf(size)
  await page.mouse.move(at[4]!.x, at[4]!.y)
  await expect(table).toContainText(/closed: \d+ (vCPU|GiB of memory), you need \d+/)
  await expect(table).toContainText(/\d+ closed: \d+ have too few vCPU/)
  await expect(table).toContainText(/too little memory/)
  // A reason opens the list at what it closes.
  await table.getByRole('button', { name: /have too little memory/ }).click()
  const list = page.getByRole('dialog', { name: 'All choices of Size' })
  await expect(list.getByRole('button', { name: /^only: \d+ have too little memory/ })).toBeVisible()
  await expect(list.getByRole('row').nth(1)).toContainText('GiB of memory, you need 16')
  await list.getByRole('button', { name: 'Close the choices of Size' }).click()
  await expect(list).toBeHidden()
  await bench.plate('On hours').scrollIntoViewIfNeeded()
  // Into the table, and the second of a group.
  const group = (await slotsOf(bench.plate('On hours'))).at[2]!
  await page.mouse.move(group.x, group.y)
  const second = table.getByRole('button').nth(1)
  const name = (await second.locator('b').first().innerText()).trim()
  const { x, y } = (await second.boundingBox())!
  await page.mouse.move(group.x, group.y + 12)
  await page.mouse.move(x + 20, y + 8)
  await page.mouse.click(x + 20, y + 8)
  await expect(bench.slider('On hours')).toHaveAttribute('aria-valuetext', new RegExp(`^${name}, €`))
  await expect(bench.slider('On hours')).toBeFocused()
  await expect(table).toHaveCount(0)
  await bench.undo.click()
  // Another machine pays for what it needs: how much stands beside the reason.
  await bench.turnTo('/?machine=crew-roster-db&view=gauge')
  const room = await slotsOf(bench.plate('Size'))
  await page.mouse.move(room.at[0]!.x, room.at[0]!.y)
  await expect(table).toContainText(/ \(that need costs € \d+\.\d\d\)/)
})

test('by keys: looked at with Shift, taken with Enter, left with Escape', async ({ page }) => {
  const bench = await open(page)
  const slider = bench.slider('On hours')
  const before = await slider.getAttribute('aria-valuetext')
  await slider.focus()
  await page.keyboard.press('Shift+ArrowLeft')
  const table = page.getByTestId('slot-table')
  await expect(table).toBeVisible()
  await expect(slider).toHaveAttribute('aria-valuetext', before!)
  const rows = table.locator('button:has(b)')
  expect(await rows.count()).toBeGreaterThan(1)
  await expect(rows.first()).toHaveAttribute('data-active', 'true')
  await page.keyboard.press('Escape')
  await expect(table).toHaveCount(0)
  await page.keyboard.press('Shift+ArrowLeft')
  await page.keyboard.press('ArrowDown')
  await expect(rows.nth(1)).toHaveAttribute('data-active', 'true')
  const name = (await rows.nth(1).locator('b').first().innerText()).trim()
  // What is read out says the same as the table.
  await expect(bench.plate('On hours').locator('[aria-live]')).toContainText(name)
  await page.keyboard.press('Enter')
  await expect(slider).toHaveAttribute('aria-valuetext', new RegExp(`^${name}, €`))
})

test('the table is held by a press, and has nothing that axe finds', async ({ page }) => {
  const bench = await open(page)
  const { at } = await slotsOf(bench.plate('Size'))
  await page.mouse.click(at[7]!.x, at[7]!.y)
  const table = page.getByTestId('slot-table')
  await page.mouse.move(5, 300)
  await expect(table).toBeVisible()
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await page.getByRole('heading', { name: 'One hour costs' }).click()
  await expect(table).toHaveCount(0)
})

test('plates stand by what they save, stay where they are under a hand, and go back to their fixed order', async ({
  page,
}) => {
  const bench = await open(page)
  const names = () =>
    page.locator('[data-plate]').evaluateAll((all) => all.map((each) => each.getAttribute('data-plate')))
  const start = await names()
  await expect(page.getByRole('region', { name: 'Can save' })).toContainText('On hours')
  await expect(page.getByRole('region', { name: 'Settled' })).toContainText('next: Three years')
  await bench.slider('Public address').press('Home')
  await expect(page.getByRole('button', { name: 'Sort again' })).toBeVisible()
  expect(await names()).toEqual(start)
  await page.getByRole('button', { name: 'Sort again' }).click()
  expect(await names()).not.toEqual(start)
  await page.getByRole('button', { name: 'Fixed order' }).click()
  expect((await names())[0]).toBe('size')
  await bench.reload()
  expect((await names())[0]).toBe('size')
  await page.getByRole('button', { name: 'By what they save' }).click()
  await expect(page.getByRole('region', { name: 'Can save' })).toBeVisible()
})

onOwnPage.describe('by finger', () => {
  onOwnPage.use({ hasTouch: true, viewport: { width: 1024, height: 768 } })

  onOwnPage('a tap names a slot, a second one takes a row', async ({ page }) => {
    const bench = await open(page)
    const table = page.getByTestId('slot-table')
    const plate = bench.plate('On hours')
    const { at } = await slotsOf(plate)
    await page.touchscreen.tap(at[1]!.x, at[1]!.y)
    await expect(table).toBeVisible()
    const row = table.locator('button:has(b)').first()
    expect((await row.boundingBox())!.height).toBeGreaterThanOrEqual(44)
    const name = (await row.locator('b').first().innerText()).trim()
    await row.tap()
    await expect(bench.slider('On hours')).toHaveAttribute('aria-valuetext', new RegExp(`^${name}, €`))
  })
})
