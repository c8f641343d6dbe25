import { expect, type Page } from '@playwright/test'
import { onOwnPage as test } from './openedPage'
import { readFileSync, writeFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { readPlan, writePlan } from '../src/files/plan/planFile'
import type { View } from '../src/screens/workbench/views.ts'
import { Workbench } from './workbench'

/** A text that stands in the code of one view alone. */
const OWN_TEXT: Partial<Record<View, string>> = {
  bench: 'Select every machine that is shown',
  gauge: 'Decisions about this machine',
  week: 'What painting does',
  terms: 'Free allowances of the account',
  access: 'The machine calls itself',
  variants: 'rows that do not differ too',
  ledger: 'The ledger was not laid out.',
  book: 'There is no price book yet',
  market: 'Looking at everything that is sold',
  mix: 'Looking through sets of places',
  'hand-off': 'Export the charts, SVG',
}

/** Scripts of a view that is opened first, each once: without what is fetched in idle moments, and without drawings. */
async function scriptsOf(page: Page, view: View): Promise<ReadonlyMap<string, string>> {
  await page.addInitScript(() => {
    window.requestIdleCallback = () => 0
    const { setTimeout } = window
    // What is done once nobody is in the middle of something, as checking what is stored.
    window.setTimeout = ((then: () => void, after = 0) =>
      after < 2_000 ? setTimeout(then, after) : 0) as typeof window.setTimeout
    window.IntersectionObserver = class extends IntersectionObserver {
      override observe(): void {
        // Nothing comes into view.
      }
    }
  })
  const scripts = new Map<string, string>()
  const coming: Promise<unknown>[] = []
  page.on('response', (response) => {
    if (!new URL(response.url()).pathname.endsWith('.js')) return
    // A worker that has answered may be gone.
    const text = response.text().catch(() => undefined)
    coming.push(text.then((found) => found !== undefined && scripts.set(response.url(), found)))
  })
  const bench = new Workbench(page)
  await bench.open(`/?machine=timetable-loadgen&view=${view}`)
  const own = OWN_TEXT[view]!
  await expect.poll(() => [...scripts.values()].some((text) => text.includes(own))).toBe(true)
  await bench.settled()
  await page.waitForLoadState('networkidle')
  await Promise.all(coming)
  return scripts
}

const gzipped = (scripts: ReadonlyMap<string, string>): number =>
  [...scripts.values()].reduce((sum, text) => sum + gzipSync(text).length, 0)

test.describe('what a view fetches when it is opened first', () => {
  for (const view of Object.keys(OWN_TEXT) as View[]) {
    test(`${view}: its own code, and that of no other view`, async ({ page }) => {
      const all = [...(await scriptsOf(page, view)).values()]
      const found = Object.entries(OWN_TEXT).flatMap(([id, text]) =>
        all.some((script) => script.includes(text)) ? [id] : [],
      )
      expect(found).toEqual([view])
    })
  }

  // Workers and the watch list among it. 139 kB are the framework, 44 styles and the store, 75 what keyboards and screen
  // readers need.
  test('the gauge and the bench stay light, and hold no file against a schema', async ({ page, browser }) => {
    const gauge = await scriptsOf(page, 'gauge')
    const bench = await scriptsOf(await browser.newPage(), 'bench')
    expect(gzipped(gauge)).toBeLessThan(431_000)
    expect(gzipped(bench)).toBeLessThan(411_000)
    for (const scripts of [gauge, bench]) {
      expect([...scripts.values()].some((text) => text.includes('any.required'))).toBe(false)
    }
  })
})

test('two thousand machines: what is drawn does not grow with them', async ({ page }, info) => {
  const demo = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
  if (!demo.ok) throw new Error('the demo is not valid')
  const machines = Array.from({ length: 2_000 }, (_, i) => ({
    ...demo.value.machines[i % demo.value.machines.length]!,
    name: `bay-${i + 1}`,
  }))
  const path = info.outputPath('many.plan.json')
  writeFileSync(path, writePlan({ ...demo.value, machines }))
  await new Workbench(page).open()
  await page.locator('input[aria-label^="Plan, price book"]').setInputFiles(path)
  await expect(page.getByText(/is open\. Undo brings/)).toBeVisible()
  expect(await page.getByRole('option').count()).toBeLessThan(60)

  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await page.getByRole('checkbox', { name: 'Select every machine that is shown' }).check()
  await page.getByRole('button', { name: 'Change the selected machines' }).click()
  await page.getByRole('menuitem', { name: 'Cost centre' }).click()
  await page.getByRole('textbox', { name: 'Cost centre' }).fill('depot')
  await page.getByRole('textbox', { name: 'Cost centre' }).press('Enter')
  await expect(page.getByTestId('change-sum')).toBeVisible()
  await expect(page.getByRole('grid', { name: 'Machines that change' })).toHaveAttribute(
    'aria-rowcount',
    '2001',
  )
  expect(await page.locator('[role="dialog"] *').count()).toBeLessThan(600)
  await page.getByRole('button', { name: 'Change 2000 machines' }).click()
  await page.getByRole('button', { name: /^Undo: cost centre of 2000/ }).click()
  await expect(page.getByRole('button', { name: /^Redo: cost centre of 2000/ })).toBeEnabled()
})
