// Takes the pictures in docs/screenshots anew from the demo data; a running server's address is its argument.
import { chromium } from '@playwright/test'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

const address = process.argv[2] ?? 'http://127.0.0.1:4310/'
const folder = join(ROOT, 'docs', 'screenshots')
const GAUGE = '?machine=timetable-loadgen&view=gauge&month=2027-03'

/** Name of the picture, where to go, the theme, and what to do there first. */
const PICTURES = [
  ['gauge-light', GAUGE, 'light'],
  ['gauge-dark', GAUGE, 'dark'],
  ['week-light', '?machine=timetable-loadgen&view=week&month=2027-03', 'light'],
  ['choices', GAUGE, 'light', (page) => page.getByRole('slider', { name: 'Size' }).press('Enter')],
  [
    'ledger',
    '?machine=timetable-loadgen&view=ledger&month=2027-03',
    'light',
    (page) => page.getByRole('row', { name: /Disks/ }).click(),
  ],
  ['terms', '?machine=timetable-loadgen&view=terms&month=2027-03', 'light'],
  [
    'book',
    '?machine=timetable-loadgen&view=book&month=2027-03&provider=fennmark&edition=2027-01&rate=/prices/porto/disks/ember/perMonthByStep/128',
    'light',
  ],
  [
    'empty-plan',
    GAUGE,
    'light',
    async (page) => {
      await page.getByRole('button', { name: 'Plan', exact: true }).click()
      await page.getByRole('menuitem', { name: 'Start an empty plan' }).click()
    },
  ],
]

mkdirSync(folder, { recursive: true })
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
for (const [name, query, colorScheme, prepare] of PICTURES) {
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme,
    reducedMotion: 'reduce',
  })
  await page.goto(new URL(query, address).href)
  await page.getByRole('button', { name: 'Keep the demo' }).click()
  await prepare?.(page)
  await page.waitForTimeout(1_000)
  await page.screenshot({ path: join(folder, `${name}.png`) })
  await page.close()
}
await browser.close()
