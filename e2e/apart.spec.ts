import { expect } from '@playwright/test'
import { axeFindings } from './axe'
import { Workbench } from './workbench'
import { test } from './openedPage'

test('a machine in several zones is several machines, kept apart from then on', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=gauge&machine=timetable-loadgen&month=2027-03')
  const planned = await bench.planTotal()
  const alone = await bench.total()
  await page.getByRole('button', { name: 'Machine', exact: true }).click()
  await page.getByRole('menuitem', { name: 'In several zones…' }).click()
  const dialog = page.getByRole('dialog', { name: 'timetable-loadgen in several zones' })
  await dialog.getByRole('button', { name: 'a', exact: true }).click()
  await dialog.getByRole('button', { name: 'c', exact: true }).click()
  await expect(dialog.getByTestId('change-sum')).toContainText(`+${(2 * alone).toFixed(2)} EUR`)
  expect(await axeFindings(page, { within: '[role="dialog"]' })).toEqual([])
  await dialog.getByRole('button', { name: 'Add timetable-loadgen-2, timetable-loadgen-3' }).click()

  // All zones of the region are taken: the place plate has them closed, and says by whom.
  await page.getByRole('button', { name: 'All needs…' }).click()
  const needs = page.getByRole('dialog', { name: 'What timetable-loadgen must have' })
  await expect(needs.getByRole('row', { name: /^Kept apart/ })).toContainText(/2 choices, costs nothing/)
  await needs.getByRole('button', { name: 'Groups…' }).click()
  const groups = page.getByRole('dialog', { name: 'Machines that must not fall together' })
  await expect(groups).toContainText('timetable-loadgen-2 in porto, zone a')
  await groups.getByRole('button', { name: 'Done' }).click()
  await needs.getByRole('button', { name: 'Done' }).click()
  await bench.undo.click()
  await expect.poll(() => bench.planTotal()).toBe(planned)
})

test('by keys: machines are put in a group on the bench, and the watch list moves one away', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open('/?view=bench&month=2027-03')
  for (const name of ['timetable-loadgen', 'crew-roster-db']) {
    await page.getByRole('checkbox', { name: `Select ${name}` }).focus()
    await page.keyboard.press('Space')
  }
  await page.getByRole('button', { name: 'Change the selected machines' }).focus()
  await page.keyboard.press('Enter')
  await page.getByRole('menuitem', { name: 'Kept apart…' }).press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Kept apart of 2 machines' })
  await dialog.getByRole('button', { name: /Kept apart in group/ }).press('Enter')
  await page.getByRole('option', { name: /^a new group/ }).press('Enter')
  await expect(dialog).toContainText('crew-roster-db stands in zone b of Porto')
  await dialog.getByRole('button', { name: 'Change 2 machines' }).press('Enter')

  await bench.turnTo('/?view=gauge&machine=crew-roster-db&month=2027-03')
  const list = page.getByRole('region', { name: 'Watch list' })
  await expect(list).toContainText('timetable-loadgen stands in zone b of Porto')
  await list.getByRole('button', { name: 'Take the nearest that fits' }).press('Enter')
  await expect(list).not.toContainText('timetable-loadgen stands in zone b')
  await bench.turnTo('/?view=hand-off&machine=crew-roster-db&month=2027-03')
  await expect(page.getByText('timetable-loadgen (porto, zone b)')).toBeVisible()
})
