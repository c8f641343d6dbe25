import { expect, type Page } from '@playwright/test'
import { axeFindings } from './axe'
import { Workbench } from './workbench'
import { test } from './openedPage'

/** The month as a calendar, one day in full, and the twelve months from here. */

const MONTH = '/?machine=timetable-loadgen&view=month&month=2027-03'

const day = (page: Page, name: RegExp) =>
  page.getByRole('listbox', { name: 'Days of the month' }).getByRole('option', { name })
const detail = (page: Page) => page.getByRole('region', { name: 'The open day' })

const cents = (text: string): number => Math.round(Number(text.replace(/[^0-9.]/g, '')) * 100)

test('days carry their cost, holidays and clock changes, and add up to the month', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(MONTH)
  await expect(day(page, /^Friday 19 March, € 0\.40, 0 h running, Depot holiday$/)).toBeVisible()
  await expect(day(page, /^Sunday 28 March, .*, 23 h long$/)).toBeVisible()
  const names = await page
    .getByRole('option', { name: / (March|April), € / })
    .evaluateAll((days) => days.map((each) => each.getAttribute('aria-label') ?? ''))
  // Lisbon’s 1 April begins an hour before the provider’s.
  expect(names).toHaveLength(32)
  const sum = names.reduce((total, name) => total + cents(/€ ([\d,.]+)/.exec(name)![1]!), 0)
  const total = Math.round((await bench.total()) * 100)
  expect(sum).toBe(total)
  const shown = await page.locator('[data-part="cost"]').allInnerTexts()
  expect(shown.reduce((all, text) => all + cents(text), 0)).toBe(total)
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
})

test('a day opens by mouse and by keys, with its states in local time and UTC, and stays in the address', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open(MONTH)
  await day(page, /^Monday 29 March/).click()
  await expect(detail(page)).toContainText('Monday, 29 March 2027')
  // Summer time began the day before: 8 o’clock in Lisbon is 7 in UTC.
  await expect(detail(page).getByRole('row', { name: /^08:00 07:00 waking/ })).toBeVisible()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowLeft')
  await expect(detail(page)).toContainText('Sunday, 21 March 2027')
  await expect(detail(page).getByRole('row', { name: /hibernated 24 h/ })).toBeVisible()
  await page.keyboard.press('Home')
  await expect(day(page, /^Monday 1 March/)).toBeFocused()
  await page.keyboard.press('ArrowRight')
  await expect(detail(page)).toContainText('Tuesday, 2 March 2027')
  await bench.reload()
  await expect(detail(page)).toContainText('Tuesday, 2 March 2027')
})

test('twelve months are each as long as they are, and lead to each other', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(MONTH)
  const months = page.getByRole('region', { name: 'Twelve months' })
  const names = await months
    .getByRole('button')
    .evaluateAll((all) => all.map((each) => each.getAttribute('aria-label')!))
  expect(names).toHaveLength(12)
  const year = await page.getByTestId('year-total').innerText()
  const sum = names.reduce((total, name) => total + cents(name.split('€')[1]!), 0)
  expect(sum).toBe(cents(/€ ([\d,.]+)/.exec(year)![1]!))
  await months.getByRole('button', { name: /^October 2027/ }).click()
  await expect(day(page, /^Sunday 31 October, .*, 25 h long$/)).toBeVisible()
})
