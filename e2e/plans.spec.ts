import { expect } from '@playwright/test'
import { overviewDone, Workbench } from './workbench'
import { onOwnPage, test } from './openedPage'

test('plans are duplicated, compared with what they were, archived and opened again', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await overviewDone(page)
  await bench.choosePlanMenu('Plans…')
  await page.getByRole('button', { name: 'Duplicate this one' }).click()
  await expect(
    page.getByRole('button', { name: /Plan name: Larkspur Trams, depot test bench 2/ }),
  ).toBeVisible()
  await overviewDone(page)
  await page
    .getByTestId('notches')
    .getByRole('button', { name: /^Take / })
    .first()
    .click()
  await bench.choosePlanMenu('Plans…')
  await page
    .getByRole('button', { name: 'Compare Larkspur Trams, depot test bench with the open plan' })
    .click()
  const comparison = page.getByTestId('comparison')
  await expect(comparison).toContainText('fare-gate-soak')
  await expect(comparison.locator('tfoot')).toContainText('−225.28')
  await page.getByRole('button', { name: 'Back to the plans' }).click()
  await page.getByRole('button', { name: /^Archive / }).click()
  await expect(page.getByRole('list', { name: 'Archived plans' })).toContainText('14 machines')
  await page.getByRole('button', { name: 'Open Larkspur Trams, depot test bench', exact: true }).click()
  await expect(
    page.getByRole('button', { name: 'Plan name: Larkspur Trams, depot test bench. Rename' }),
  ).toBeVisible()
  await bench.reload()
  await expect(
    page.getByRole('button', { name: 'Plan name: Larkspur Trams, depot test bench. Rename' }),
  ).toBeVisible()
})

test('two tabs that change the same say so', async ({ page, context }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const second = new Workbench(await context.newPage())
  await second.open('/')
  const rename = async (tab: Workbench, name: string): Promise<void> => {
    await tab.page.getByRole('button', { name: /^Plan name: / }).click()
    await tab.page.getByRole('textbox', { name: 'Plan name' }).fill(name)
    await tab.page.getByRole('textbox', { name: 'Plan name' }).press('Enter')
  }
  await rename(bench, 'First')
  await expect(second.page.getByRole('button', { name: 'Plan name: First. Rename' })).toBeVisible()
  await rename(second, 'Second')
  await expect(bench.page.getByRole('button', { name: 'Plan name: Second. Rename' })).toBeVisible()
  await bench.undo.click()
  await expect(second.page.getByRole('button', { name: 'Plan name: First. Rename' })).toBeVisible()
})

test('the palette goes to a machine, a view and an action', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const run = async (words: string): Promise<void> => {
    await page.keyboard.press('Control+k')
    await page.getByRole('searchbox', { name: 'Search all actions' }).fill(words)
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
  }
  await run('crew-roster')
  await expect(page).toHaveURL(/view=gauge&machine=crew-roster-db|machine=crew-roster-db&view=gauge/)
  await run('ledger of')
  await expect(page).toHaveURL(/view=ledger/)
  await run('theme dark')
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
})

onOwnPage(
  'what is typed into the palette before it has come stands in it, and Enter takes the first match',
  async ({ page }) => {
    // Nothing is fetched ahead, and what is fetched comes once all is typed.
    let letCome = (): void => undefined
    const typed = new Promise<void>((resolve) => (letCome = resolve))
    await page.addInitScript(() => (window.requestIdleCallback = () => 0))
    await new Workbench(page).open('/')
    await page.route('**/*.js', async (route) => {
      await typed
      await route.continue()
    })
    await page.keyboard.press('Control+k')
    await page.keyboard.type('theme darx')
    await page.keyboard.press('Backspace')
    await page.keyboard.type('k')
    await expect(page.getByRole('searchbox')).toHaveCount(0)
    letCome()
    await expect(page.getByRole('searchbox')).toHaveValue('theme dark')
    await page.keyboard.press('Enter')
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  },
)

test('a machine comes from a sentence, by the keyboard alone', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  await page.keyboard.press('Control+k')
  // Typed at once, whether its field has come or not.
  await page.keyboard.type('add a machine')
  await expect(page.getByRole('searchbox')).toHaveValue('add a machine')
  await expect(page.getByRole('menuitem', { name: /^Add a machine/ }).first()).toHaveAttribute('data-focused')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('need-answer')).toContainText('The cheapest that fits is')
  const most = page.getByRole('textbox', { name: 'At most a month' })
  await most.fill('1')
  await most.press('Enter')
  await expect(page.getByTestId('need-answer')).toContainText('That is more than 1.')
  await page.getByRole('button', { name: 'Add it all the same' }).press('Enter')
  await expect(page).toHaveURL(/machine=test-machine/)
  await expect(bench.slider('Size')).toBeVisible()
})
