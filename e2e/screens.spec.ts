import { expect } from '@playwright/test'
import { axeFindings } from './axe'
import { Workbench } from './workbench'
import { MACHINE_VIEWS, PLAN_VIEWS } from '../src/screens/workbench/views.ts'
import { test } from './openedPage'

/** By links, so that one opening does for several; what stands around the views is looked at once. */
for (const views of [MACHINE_VIEWS.slice(0, 5), [...MACHINE_VIEWS.slice(5), ...PLAN_VIEWS]]) {
  const names = views.map(({ name }) => name)
  test(`axe finds nothing on ${names.join(', ')}, light and dark`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    const bench = new Workbench(page)
    await bench.open(`/?machine=timetable-loadgen&view=${views[0]!.id}`)
    for (const [i, { id, name }] of views.entries()) {
      if (i > 0) await page.getByRole('link', { name, exact: true }).first().click()
      await bench.viewSettled(id)
      const within = i === 0 ? {} : { within: 'main' }
      const found = await axeFindings(page, within)
      // The other theme has the same elements in other colours.
      await page.emulateMedia({ colorScheme: 'dark' })
      found.push(...(await axeFindings(page, { ...within, coloursAlone: true })))
      await page.emulateMedia({ colorScheme: 'light' })
      expect(found, name).toEqual([])
    }
  })
}

test('axe finds nothing in the list of choices, nor on an empty plan', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  await bench.slider('Size').press('Enter')
  await expect(page.getByRole('row', { name: /Kite 4\/16/ })).toBeVisible()
  expect(await axeFindings(page, { within: '[role="dialog"]' })).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Cheapest that fits…' }).click()
  await expect(page.getByRole('button', { name: 'Take all' })).toBeVisible()
  expect(await axeFindings(page, { within: '[role="dialog"]' })).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'All needs…' }).click()
  await expect(page.getByRole('button', { name: 'Done' })).toBeVisible()
  expect(await axeFindings(page, { within: '[role="dialog"]' })).toEqual([])
  await page.getByRole('button', { name: 'Done' }).click()
  await bench.choosePlanMenu('Start an empty plan')
  await expect(page.getByRole('heading', { name: 'Whose prices?' })).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: 'Take the invented books' }).click()
  await expect(page.getByRole('grid', { name: 'Sizes' })).toBeVisible()
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(page.getByRole('heading', { name: 'This plan has no machines yet' })).toBeVisible()
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
})

test('nothing is cut off, lies over another or scrolls sideways at three widths', async ({ page }) => {
  const bench = new Workbench(page)
  const atEachWidth = async (look: () => string[], view: string): Promise<void> => {
    for (const size of [
      { width: 390, height: 800 },
      { width: 1024, height: 768 },
      { width: 1280, height: 800 },
    ]) {
      await page.setViewportSize(size)
      // The axis is measured once the page has its width, and laid out then.
      await expect.poll(() => page.evaluate(look), `${view} at ${size.width}`).toEqual([])
    }
  }
  await bench.open('/?view=bench')
  for (const view of ['bench', 'hand-off']) {
    await bench.turnTo(`/?view=${view}`)
    if (view === 'bench') await expect(page.getByRole('region', { name: 'Quotas' })).toBeVisible()
    await atEachWidth(tooWide, view)
  }
  await bench.turnTo('/?machine=timetable-loadgen&view=gauge')
  for (const { name: view } of MACHINE_VIEWS) {
    const link = page.getByRole('main').getByRole('link', { name: view, exact: true })
    await link.click()
    await expect(link).toHaveAttribute('aria-current', 'page')
    await atEachWidth(misplaced, view)
  }
})

/** What is wider than its place. */
function tooWide(): string[] {
  return [document.documentElement, ...document.querySelectorAll('main, aside')]
    .filter((element) => element.scrollWidth > element.clientWidth + 1)
    .map((element) => `${element.tagName} ${element.scrollWidth} > ${element.clientWidth}`)
}

/** What is wider than its place, and the machine's name where it lies over the views. */
function misplaced(): string[] {
  const wide = [document.documentElement, ...document.querySelectorAll('main, aside')]
    .filter((element) => element.scrollWidth > element.clientWidth + 1)
    .map((element) => `${element.tagName} ${element.scrollWidth} > ${element.clientWidth}`)
  const heading = document.querySelector('h1')!.getBoundingClientRect()
  const views = document.querySelector('main nav')!.getBoundingClientRect()
  const apart = heading.right <= views.left || heading.bottom <= views.top
  return apart ? wide : [...wide, 'the name lies over the views']
}

test('a closed choice says why, and what else would have to change', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  const start = await bench.total()
  const ask = async (name: string) => {
    await bench.slider('Size').press('Enter')
    await page.getByRole('searchbox', { name: 'Search the choices' }).fill(name)
    const row = page.getByRole('row', { name: new RegExp(name) }).first()
    await row.click()
    const dialog = page.getByRole('dialog', { name, exact: true })
    if (!(await dialog.isVisible())) await row.click()
    return dialog
  }
  const tooSmall = await ask('Wren 2/2')
  await expect(tooSmall).toContainText('2 vCPU, you need 4')
  await expect(tooSmall).toContainText('No change of the other plates')
  await tooSmall.getByRole('button', { name: 'Leave it' }).click()
  expect(await bench.total()).toBe(start)

  const elsewhere = await ask('Heron 4/24')
  await expect(elsewhere).toContainText('Closed: Heron 4/24 is sold in zones a and c only')
  await expect(elsewhere).toContainText('Zone: a in place of b')
  await elsewhere.getByRole('button', { name: 'Take it' }).click()
  await expect(bench.slider('Size')).toHaveAttribute('aria-valuetext', /^Heron 4\/24, /)
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Porto a, /)
  await bench.undo.click()
  await expect(bench.slider('Place')).toHaveAttribute('aria-valuetext', /^Porto b, /)
  await expect.poll(() => bench.total()).toBe(start)
})

test('needs are edited in place, and what does not fit any more is said', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  const vcpu = page.getByRole('textbox', { name: 'Least vCPU' })
  await vcpu.fill('6')
  await vcpu.press('Enter')
  const misfit = page.getByText('Does not fit: 4 vCPU, you need 6', { exact: true })
  await expect(misfit).toBeVisible()
  await bench.undo.click()
  await expect(misfit).toBeHidden()
  await expect(vcpu).toHaveValue('4')
})

test('every line opens to its arithmetic and its rate', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=timetable-loadgen')
  await page.getByRole('button', { name: /^System disk/ }).click()
  await expect(page.getByText('9.86 a month = 9.86')).toBeVisible()
  await expect(page.getByText('/prices/porto/disks/ember/perMonthByStep/128')).toBeVisible()
  const cents = (text: string): number => Math.round(Number(text.replace(/[^0-9.]/g, '')) * 100)
  const lines = await page.getByTestId('line-amount').allInnerTexts()
  expect(lines.map(cents).reduce((sum, line) => sum + line, 0)).toBe(cents(String(await bench.total())))
})

test('the list of machines adds up to the plan’s total', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  const cents = (text: string): number => Math.round(Number(text.replace(/[^0-9.]/g, '')) * 100)
  const rows = await page
    .getByRole('option')
    .evaluateAll((items) => items.map((item) => item.children[1]!.textContent!))
  const [planned] = (await bench.planTotal()).split('planned')
  expect(rows.map(cents).reduce((sum, row) => sum + row, 0)).toBe(cents(planned!))
})

test('the address opens the same screen, and the back button goes back', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=depot-kiosk&view=week&month=2027-10')
  await expect(page.getByRole('button', { name: 'Month: October 2027' })).toBeVisible()
  await expect(page.getByText('clocks go back on 31 October')).toBeVisible()
  await page.getByRole('button', { name: 'Next month' }).click()
  await expect(page.getByRole('button', { name: 'Month: November 2027' })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('button', { name: 'Month: October 2027' })).toBeVisible()
})

test('a machine and a page that are not there are answered', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=nobody')
  await expect(page.getByRole('heading', { name: 'There is no machine “nobody” in this plan' })).toBeVisible()
  await page.getByRole('button', { name: 'Open signal-replay' }).click()
  await expect(bench.slider('Size')).toBeVisible()
  await page.goto('/nowhere')
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible()
})

test('an empty plan leads to a first machine that is priced', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open()
  await expect(page.getByText('This is a demo', { exact: false })).toBeVisible()
  await bench.startOnInvented()
  await bench.turnTo('/?view=gauge')
  await page.getByRole('main').getByRole('button', { name: 'Add a machine' }).click()
  await page.getByRole('button', { name: 'Add it', exact: true }).click()
  await expect(bench.plate('Size')).toBeVisible()
  expect(await bench.total()).toBeGreaterThan(1)
  await expect(page.getByText('This is a demo', { exact: false })).toBeHidden()
})

test('the page is served with a strict policy', async ({ page }) => {
  const response = await page.goto('/')
  const policy = response!.headers()['content-security-policy']!
  expect(policy).toContain("default-src 'self'")
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/)
  expect(policy).not.toContain('unsafe-eval')
})

test('undo follows a machine that was added or renamed', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?machine=axle-counter-sim')
  await page.getByRole('button', { name: 'Machine', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Duplicate the machine' }).click()
  await expect(page.getByRole('button', { name: 'Machine name: axle-counter-sim 2. Rename' })).toBeVisible()
  await bench.undo.click()
  await expect(page.getByRole('button', { name: 'Machine name: axle-counter-sim. Rename' })).toBeVisible()
  await page.getByRole('button', { name: 'Machine name: axle-counter-sim. Rename' }).click()
  const name = page.getByRole('textbox', { name: 'Machine name' })
  await name.fill('depot-kiosk')
  await expect(page.getByText('Another one has this name')).toBeVisible()
  await name.fill('voice')
  await name.press('Enter')
  await expect(page).toHaveURL(/machine=voice/)
  await bench.undo.click()
  await expect(page).toHaveURL(/machine=axle-counter-sim/)
})
