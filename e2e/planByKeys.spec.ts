import { expect, type Locator } from '@playwright/test'
import { cents, overviewDone, saved, Workbench } from './workbench'
import { test } from './openedPage'

const INVENTORY = [
  'host;machine type;vCPU;RAM;crew;disk size',
  ...Array.from(
    { length: 40 },
    (_, i) => `bay-${i + 1};${i % 2 ? 'Heron 2/8' : 'Heron 4/16'};;;${i % 2 ? 'depot' : 'signals'};64`,
  ),
].join('\n')

test('a plan is brought in, changed, paid for and handed off with the keyboard only', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/')
  const press = (key: string) => page.keyboard.press(key)
  const isReached = (wanted: Locator) =>
    wanted.evaluate((element) => {
      const { activeElement } = document
      return activeElement !== null && activeElement !== document.body && element.contains(activeElement)
    })
  /** Goes on by Tab until the focus is there. */
  const tabTo = async (wanted: Locator, key = 'Tab'): Promise<void> => {
    await expect(wanted).toBeVisible()
    for (let i = 0; i < 150; i += 1) {
      if (await isReached(wanted)) return
      await press(key)
    }
    throw new Error('not reached by Tab')
  }
  const enter = async (wanted: Locator, key?: string): Promise<void> => {
    await tabTo(wanted, key)
    await press('Enter')
  }
  const button = (name: string | RegExp) => page.getByRole('button', { name })
  /** Opens a list by Enter, and goes down it to what is wanted. */
  const choose = async (list: Locator, option: Locator): Promise<void> => {
    await enter(list)
    await expect(option).toBeVisible()
    for (let i = 0; i < 30 && !(await isReached(option)); i += 1) await press('ArrowDown')
    await press('Enter')
  }
  const option = (name: string | RegExp) => page.getByRole('option', { name })
  const planned = async () => cents((await bench.planTotal()).split('planned')[0]!)

  await enter(button('Start with my prices'))
  await enter(button('Take the invented books'))
  await enter(page.getByRole('link', { name: 'Bench' }))
  const choosing = page.waitForEvent('filechooser')
  await enter(button('Import a plan or an inventory'))
  const table = { name: 'bays.csv', mimeType: 'text/csv', buffer: Buffer.from(INVENTORY) }
  await (await choosing).setFiles(table)
  await choose(button(/Separator of columns$/), option('a semicolon'))
  await enter(button(/^What crew is: /))
  await page.keyboard.type('a tag')
  await expect.poll(() => isReached(option('a tag of this name'))).toBe(true)
  await press('Enter')
  await enter(button('Add 40 machines'))
  await overviewDone(page)

  await choose(button(/Put machines together$/), option('by crew'))
  await tabTo(page.getByRole('checkbox', { name: 'Select signals, 20 machines' }))
  await press('Space')
  const before = await planned()
  await choose(button('Change the selected machines'), page.getByRole('menuitem', { name: 'State when off' }))
  await choose(button(/State when off$/), option('Stopped'))
  await expect(page.getByTestId('change-sum')).toContainText('EUR')
  await enter(button('Change 20 machines'))
  await expect.poll(planned).toBeGreaterThan(before)

  await enter(button('Set a credit…'))
  await enter(button('Add a credit that expires'))
  const credit = page.getByRole('textbox', { name: 'Credit', exact: true })
  await tabTo(credit)
  await press('Control+a')
  await page.keyboard.type('3000')
  await press('Enter')
  await press('Escape')
  await overviewDone(page)
  await expect(page.getByTestId('credit-end')).toContainText(/As planned until/)

  const worst = await planned()
  await enter(
    page
      .getByTestId('notches')
      .getByRole('button', { name: /^Take / })
      .first(),
  )
  await expect.poll(planned).toBeLessThan(worst)
  await press('Control+z')
  await expect.poll(planned).toBe(worst)

  await enter(page.getByRole('link', { name: 'Hand-off' }), 'Shift+Tab')
  await expect(page.getByTestId('build-sheet')).toContainText('bay-1')
  const sheets = await saved(page, () =>
    choose(button('Export as a file'), page.getByRole('menuitem', { name: 'All build sheets, Markdown' })),
  )
  expect(sheets.match(/^# bay-\d+$/gm)).toHaveLength(40)
})
