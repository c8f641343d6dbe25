import { expect, type Locator, type Page } from '@playwright/test'
import { Workbench } from './workbench'
import { test } from './openedPage'

/** How a person acts on the screen: by mouse, by touch, or by keys alone. */
interface Hand {
  readonly press: (target: Locator) => Promise<void>
  /** Takes the row of a list that is searched for. */
  readonly takeRow: (name: string) => Promise<void>
}

const searchFor = async (page: Page, text: string): Promise<Locator> => {
  await page.getByRole('searchbox', { name: 'Search the choices' }).fill(text)
  // A row begins with whether it is marked; what follows the name is its price.
  const name = new RegExp(`marked ${text.replaceAll('/', '\\/')} \\d`)
  return page.getByRole('grid', { name: /^Choices of / }).getByRole('row', { name })
}

/** The first press on a row goes to it, the next one takes it. */
const pressTwice = async (row: Locator, press: () => Promise<void>): Promise<void> => {
  await expect(row).toBeVisible()
  const isActive = (await row.getAttribute('data-active')) !== null
  await press()
  if (!isActive) await press()
}

const mouse = (page: Page): Hand => ({
  press: (target) => target.click(),
  takeRow: async (name) => {
    const row = await searchFor(page, name)
    await pressTwice(row, () => row.click())
  },
})

const touch = (page: Page): Hand => ({
  press: (target) => target.tap(),
  takeRow: async (name) => {
    const row = await searchFor(page, name)
    await pressTwice(row, () => row.tap())
  },
})

const keys = (page: Page): Hand => ({
  press: async (target) => {
    await target.focus()
    await page.keyboard.press('Enter')
  },
  takeRow: async (name) => {
    const row = await searchFor(page, name)
    await expect(row).toBeVisible()
    await page.getByRole('grid', { name: /^Choices of / }).focus()
    await page.keyboard.press('Home')
    for (let i = 0; i < 8 && (await row.getAttribute('data-active')) === null; i += 1) {
      await page.keyboard.press('ArrowDown')
    }
    await page.keyboard.press('Enter')
  },
})

/** One machine decided wholly, and all of it taken back. */
async function decide(page: Page, hand: Hand): Promise<void> {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=gauge')
  const start = await bench.total()
  const totals: number[] = [start]
  const settled = async (): Promise<void> => {
    await expect.poll(() => bench.total()).not.toBe(totals.at(-1))
    totals.push(await bench.total())
  }
  const grid = page.getByRole('grid', { name: 'Choices of Size' })

  // Sizes by what they cost under its own schedule, only those that fit.
  await hand.press(bench.plate('Size').getByRole('button', { name: 'All 48 choices of Size' }))
  const head = (name: string): Locator => grid.getByRole('columnheader', { name })
  await hand.press(head('an hour on').getByRole('button'))
  await expect(head('an hour on')).toHaveAttribute('aria-sort', 'ascending')
  await hand.press(head('€ a month').getByRole('button'))
  await expect(head('€ a month')).toHaveAttribute('aria-sort', 'ascending')
  await expect(grid).toHaveAttribute('aria-rowcount', '49')
  const fits = page.getByRole('checkbox', { name: 'show what does not fit' })
  await fits.focus()
  await page.keyboard.press('Space')
  await expect.poll(async () => Number(await grid.getAttribute('aria-rowcount'))).toBeLessThan(30)
  await hand.takeRow('Pelican 4/32')
  await expect(bench.slider('Size')).toHaveAttribute('aria-valuetext', /^Pelican 4\/32, /)
  await settled()
  await hand.press(page.getByRole('button', { name: 'Close the choices of Size' }))
  await expect(grid).toBeHidden()
  await expect(bench.slider('Size')).toBeFocused()

  // One more disk.
  await hand.press(bench.plate('Another data disk').getByRole('button', { name: /Show the choices/ }))
  await bench.slider('Another data disk').focus()
  await page.keyboard.press('ArrowRight')
  await expect(bench.plate('Data disk 1')).toBeVisible()
  await settled()

  // In its zone a size closes, and says why.
  await hand.press(bench.plate('Size').getByRole('button', { name: 'All 48 choices of Size' }))
  await searchFor(page, 'Heron 4/24')
  await expect(page.getByRole('row', { name: /Heron 4\/24/ }).first()).toContainText(
    'Closed: Heron 4/24 is sold in zones a and c only',
  )
  await hand.press(page.getByRole('button', { name: 'Close the choices of Size' }))
  await hand.press(bench.plate('Place').getByRole('button', { name: /choices of Place$/ }))
  await hand.takeRow('Porto a')
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Porto a, /)
  await searchFor(page, '')
  await hand.press(page.getByRole('button', { name: 'Close the choices of Place' }))
  await hand.press(bench.plate('Size').getByRole('button', { name: 'All 48 choices of Size' }))
  await searchFor(page, 'Heron 4/24')
  await expect(page.getByRole('row', { name: /Heron 4\/24/ }).first()).not.toContainText('Closed')
  await hand.press(page.getByRole('button', { name: 'Close the choices of Size' }))

  // Another provider: what it changes is said before it is taken.
  await hand.press(bench.plate('Place').getByRole('button', { name: /choices of Place$/ }))
  await hand.takeRow('Tallinn a, Tidewright')
  const asked = page.getByRole('dialog', { name: 'Tallinn a, Tidewright' })
  await expect(asked).toContainText(/Size: .* in place of Pelican 4\/32[+−]\d/)
  await expect(asked).toContainText(/System disk: .* in place of Ember[+−]\d/)
  await expect(asked).toContainText(/Data disk 1: .* in place of /)
  const difference = await asked.getByRole('row', { name: /together, a month/ }).innerText()
  expect(difference).toMatch(/[+−]\d+\.\d\d$/)
  await hand.press(asked.getByRole('button', { name: 'Take it' }))
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Tallinn a, \$ /)
  await hand.press(page.getByRole('button', { name: 'Close the choices of Place' }))
  await page.keyboard.press('Control+z')
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Porto a, € /)

  // All taken back.
  await page.keyboard.press('Control+z')
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Porto b, /)
  await page.keyboard.press('Control+z')
  await expect(bench.plate('Data disk 1')).toBeHidden()
  await page.keyboard.press('Control+z')
  await expect.poll(() => bench.total()).toBe(start)
  await expect(bench.nothingToUndo).toBeDisabled()
}

test('a machine is decided wholly by mouse, and taken back', async ({ page }) => decide(page, mouse(page)))

test('a machine is decided wholly by keys, and taken back', async ({ page }) => decide(page, keys(page)))

test('a machine is decided wholly by touch, and taken back', async ({ browser }) => {
  const viewport = { width: 1180, height: 820 }
  const context = await browser.newContext({ hasTouch: true, isMobile: true, viewport })
  const page = await context.newPage()
  await decide(page, touch(page))
  await context.close()
})

for (const [name, hand] of [
  ['mouse', mouse],
  ['keys', keys],
] as const) {
  test(`the joint proposal is taken in part by ${name}, and taken back`, async ({ page }) => {
    const bench = new Workbench(page)
    await bench.open('/?machine=fare-gate-soak&view=gauge')
    const start = await bench.total()
    await hand(page).press(page.getByRole('button', { name: 'Cheapest that fits…' }))
    const dialog = page.getByRole('dialog', { name: 'The cheapest that still fits' })
    await expect(dialog.getByRole('button', { name: 'Take all' })).toBeEnabled()
    const together = page.getByTestId('proposal-total')
    const whole = await together.innerText()
    const place = dialog.getByRole('checkbox', { name: 'Place' })
    await place.focus()
    await page.keyboard.press('Space')
    await expect(together).not.toHaveText(whole)
    const part = Number((await together.innerText()).replace('−', '-'))
    expect(part).toBeLessThan(0)
    await hand(page).press(dialog.getByRole('button', { name: 'Take 1 of 2' }))
    await expect.poll(() => bench.total()).toBeCloseTo(start + part, 2)
    await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Porto/)
    await bench.undo.click()
    await expect.poll(() => bench.total()).toBe(start)
  })
}

test('a pinned plate is shut, stays, and is left out of what is proposed', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=fare-gate-soak&view=gauge')
  await page.getByRole('button', { name: 'Keep Place as it is' }).click()
  await expect(bench.plate('Place')).toContainText('pinned: kept as it is')
  await expect(bench.slider('Place')).toBeHidden()
  await page.getByRole('button', { name: 'Cheapest that fits…' }).click()
  const dialog = page.getByRole('dialog', { name: 'The cheapest that still fits' })
  await expect(dialog.getByRole('button', { name: 'Take all' })).toBeEnabled()
  await expect(dialog.getByRole('checkbox', { name: 'Place' })).toBeHidden()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(bench.slider('Place')).toBeVisible()
})

test('needs close choices, and say what they cost', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen&view=gauge')
  await page.getByRole('button', { name: 'All needs…' }).click()
  const dialog = page.getByRole('dialog', { name: 'What timetable-loadgen must have' })
  await expect(dialog.getByRole('row', { name: /^Where it may stand/ })).toContainText(
    /\d+ choices, (costs|€)/,
  )
  const hardware = dialog.getByRole('button', { name: 'its hardware' })
  const before = await hardware.boundingBox()
  await expect(dialog.getByRole('row', { name: /^Memory/ })).toContainText(/\d+ choices, (costs|€)/)
  await dialog.getByRole('button', { name: 'EU' }).click()
  await expect(dialog.getByRole('row', { name: /^Where it may stand/ })).not.toContainText('choices')
  // What is pressed next does not move when what the last press costs is known.
  expect(await hardware.boundingBox()).toEqual(before)
  await expect(dialog.getByRole('row', { name: /^Memory/ })).toContainText(/\d+ choices, (costs|€)/)
  expect(await hardware.boundingBox()).toEqual(before)
  await hardware.click()
  await dialog.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText('hibernated does not keep the hardware').first()).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('hibernated does not keep the hardware').first()).toBeHidden()
})

test('what a machine has now stays until it is let go, once or for good', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=crew-roster-db&view=gauge')
  const start = await bench.total()
  const held = page.getByRole('group', { name: 'What stays as it is now' })
  const disks = held.getByRole('button', { name: /^disks as they are/ })
  await expect(held.getByRole('button')).toHaveText([
    /^disks as they are/,
    /^x86-64/,
    /^not to be taken away/,
  ])
  // What letting go saves is searched for, off the page's thread.
  await expect(disks).toHaveAccessibleName(/letting it go saves −\d+\.\d\d/, { timeout: 60_000 })

  // A smaller disk is closed, says the work that it means, and is taken all the same.
  await bench
    .plate('Disk room')
    .getByRole('button', { name: /^All \d+ choices/ })
    .click()
  const row = page.getByRole('grid', { name: /^Choices of / }).getByRole('row', { name: / 64 GiB / })
  await expect(row).toContainText('copy the system disk (128 GiB) to a new one of 64 GiB')
  await expect(row).toContainText('3,200')
  await row.click()
  const asked = page.getByRole('dialog', { name: '64 GiB' })
  await expect(asked).toContainText('Gives up: copy the system disk (128 GiB)')
  await asked.getByRole('button', { name: 'Take it all the same' }).click()
  await expect.poll(() => bench.total()).toBeLessThan(start)
  await page.keyboard.press('Control+z')
  await expect.poll(() => bench.total()).toBe(start)

  // Let go for good: by keys, and taken back.
  await disks.focus()
  await page.keyboard.press('Enter')
  const mayShrink = held.getByRole('button', { name: 'disks may shrink' })
  await expect(mayShrink).toHaveAttribute('aria-pressed', 'false')
  await expect(row).not.toContainText('copy the system disk')
  await mayShrink.click()
  await expect(disks).toHaveAttribute('aria-pressed', 'true')
})
