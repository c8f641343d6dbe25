import { expect, type Locator, type Page } from '@playwright/test'
import { Workbench } from './workbench'
import { test } from './openedPage'

type Press = (target: Locator) => Promise<void>

const READY = '/?view=market&machine=timetable-loadgen&month=2027-03'

/** The screen’s own cheapest in the list of all that fits. */
const cheapest = (page: Page): Locator =>
  page.getByRole('list', { name: 'The cheapest' }).getByRole('button').first()

const settled = (page: Page): Promise<void> =>
  expect(page.getByTestId('market')).toHaveAttribute('aria-busy', 'false')

async function setNeed(page: Page, label: string, value: string): Promise<void> {
  await page.getByRole('textbox', { name: label }).fill(value)
  await page.keyboard.press('Enter')
  await settled(page)
}

/** The cheapest in the EU within 40 ms of Porto is found, its needs are read, the edge is walked, one is taken, and taken back. */
async function findTheCheapest(page: Page, press: Press): Promise<void> {
  const bench = new Workbench(page)
  await bench.open(READY)
  await settled(page)
  const planned = await bench.planTotal()
  await setNeed(page, 'Longest round trip in ms', '40')
  const needs = page.getByRole('region', { name: 'What the machine must have' })
  await expect(needs).toContainText('in EU')
  // Gdynia is 41 ms away: what is cheapest stands there, and the need says what keeping off costs.
  await expect(needs).toContainText(/ms from Porto\s*−\d+\.\d\d/)
  await expect(cheapest(page)).not.toContainText('Gdynia')

  const edge = page.getByRole('listbox', { name: /^The cheapest edge/ })
  await press(edge.getByRole('option').first())
  await expect(edge.getByRole('option').first()).toHaveAttribute('aria-selected', 'true')
  const offer = page.getByTestId('offer')
  const first = await offer.innerText()
  await page.keyboard.press('ArrowRight')
  await expect(edge.getByRole('option').nth(1)).toHaveAttribute('aria-selected', 'true')
  await expect.poll(() => offer.innerText()).not.toBe(first)
  await settled(page)
  const difference = await offer.getByRole('row', { name: /together/ }).innerText()
  expect(difference).toMatch(/−\d+\.\d\d$/)
  // The address opens the same again.
  expect(new URL(page.url()).searchParams.get('offer')).toMatch(/^[^/]+(\/[^/]+){3}$/)

  await press(offer.getByRole('button', { name: 'Take it' }))
  await expect(offer).toContainText('It is this one.')
  await expect.poll(() => bench.planTotal()).not.toBe(planned)
  await page.keyboard.press('Control+z')
  await expect(offer.getByRole('button', { name: 'Take it' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('textbox', { name: 'Longest round trip in ms' })).toHaveValue('60')
  await expect.poll(() => bench.planTotal()).toBe(planned)
}

test('the cheapest near Porto is found and taken by mouse, and taken back', async ({ page }) =>
  findTheCheapest(page, (target) => target.click()))

test('the same by keys', async ({ page }) =>
  findTheCheapest(page, async (target) => {
    await target.focus()
    await page.keyboard.press(
      await target.evaluate((element) => (element.role === 'option' ? 'Space' : 'Enter')),
    )
  }))

test('the same by touch', async ({ browser }) => {
  const context = await browser.newContext({
    hasTouch: true,
    isMobile: true,
    viewport: { width: 1180, height: 820 },
  })
  const page = await context.newPage()
  await findTheCheapest(page, (target) => target.tap())
  await context.close()
})

test('the field is looked at more nearly, moved, drawn around, and opened where it is crowded', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open(READY)
  await settled(page)
  const part = (): string | null => new URL(page.url()).searchParams.get('part')
  const field = page.getByTestId('field')
  const box = (await field.boundingBox())!
  expect(part()).toBeNull()
  await page.getByRole('button', { name: 'Look nearer' }).click()
  await expect.poll(part).toBe('200,800,200,800')
  await expect(page.getByRole('button', { name: 'Whole field' })).toBeEnabled()
  await page.mouse.move(box.x + 300, box.y + 200)
  await page.mouse.down()
  await page.mouse.move(box.x + 200, box.y + 200, { steps: 4 })
  await page.mouse.up()
  await expect.poll(() => Number(part()?.split(',')[0])).toBeGreaterThan(220)
  await page.getByRole('button', { name: 'Whole field' }).click()
  await expect.poll(part).toBeNull()
  await page.keyboard.down('Shift')
  await page.mouse.move(box.x + 100, box.y + 40)
  await page.mouse.down()
  await page.mouse.move(box.x + 300, box.y + 240, { steps: 4 })
  await page.mouse.up()
  await page.keyboard.up('Shift')
  await expect.poll(() => Number(part()?.split(',')[1])).toBeLessThan(600)
  await page.getByRole('button', { name: 'Whole field' }).click()
  await page.mouse.move(box.x + 300, box.y + 200)
  await page.mouse.wheel(0, -300)
  await expect.poll(part).not.toBeNull()
  await page.getByRole('button', { name: 'Whole field' }).click()
  await settled(page)
  // A count opens: what stands there is then told apart.
  const crowded = field.locator('.mark', { has: page.locator('text') }).last()
  await crowded.hover()
  await expect(crowded).toContainText(/ offers, the cheapest .* about €/)
  await crowded.click()
  await expect.poll(part).not.toBeNull()
})

test('needs that nothing meets say what would, and are given back; no message is blank', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(READY)
  await settled(page)
  await setNeed(page, 'Least vCPU', '4000')
  await expect(page.getByText('Nothing that is sold has all that it needs.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'What the machine must have' })).toContainText(
    /[\d,]+ fit without it, from € [\d,.]+; at \d+, from € [\d,.]+/,
  )
  await bench.undo.click()
  await settled(page)
  await expect(page.getByText('Nothing that is sold has all that it needs.')).toBeHidden()
})

test('a need is dragged: the field answers on the way, and one undo takes it back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(READY)
  await settled(page)
  const counts = page.getByTestId('market').getByText(/ offers, .* fit$/)
  const before = await counts.innerText()
  const slider = page.getByRole('slider', { name: 'Drag the least vCPU' })
  const { x, y, width, height } = (await slider.locator('xpath=../..').boundingBox())!
  await page.mouse.move(x + width / 2, y + height / 2)
  await page.mouse.down()
  await page.mouse.move(x + width / 2 + 20, y + height / 2, { steps: 3 })
  // Nothing is changed yet, and the field is that of the need as it is dragged.
  await expect(counts).not.toHaveText(before)
  await expect(page.getByRole('listbox', { name: /^The cheapest edge/ })).toBeHidden()
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeVisible()
  await page.mouse.up()
  await settled(page)
  await expect(page.getByRole('listbox', { name: /^The cheapest edge/ })).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Least vCPU' })).not.toHaveValue('4')
  await bench.undo.click()
  await settled(page)
  await expect(counts).toHaveText(before)
  // By keys, one step at a time.
  await slider.focus()
  await page.keyboard.press('ArrowRight')
  await settled(page)
  await expect(page.getByRole('textbox', { name: 'Least vCPU' })).toHaveValue('6')
})

test('from a sentence to all that fits, set beside what it gives for its money', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=bench&month=2027-03')
  await page.keyboard.press('Control+k')
  await page.keyboard.type('Add a machine from what')
  await expect(page.getByRole('searchbox')).toHaveValue('Add a machine from what')
  await page.keyboard.press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Add a machine' })
  await dialog.getByRole('button', { name: 'Add it, and see all that fits' }).click()
  await settled(page)
  await expect(page.getByRole('region', { name: 'Prices that this rests on' })).toContainText(
    /edition .*, valid since 202\d-/,
  )
  const field = page.getByRole('figure', { name: 'Everything that fits, by cost' })
  for (const [measure, tick] of [
    ['IOPS for the money', /IOPS for \S 1/],
    ['hours until it pays', /pays at once/],
    ['whether it can be taken away', /may be taken away/],
    ['carbon of the place', /g for a kWh/],
  ] as const) {
    await field.getByRole('button', { name: /What stands down the field/ }).click()
    await page.getByRole('option', { name: measure }).click()
    await settled(page)
    await expect(field).toContainText(tick)
  }
  expect(new URL(page.url()).searchParams.get('down')).toBe('carbon')
  await bench.undo.click()
  await expect(page.getByRole('link', { name: /test-machine/ })).toBeHidden()
})
