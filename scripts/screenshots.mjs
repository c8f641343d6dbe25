// Takes the pictures in docs/screenshots anew from the demo data; a running server's address is its argument.
import { chromium } from '@playwright/test'
import { CHROMIUM } from './chromium.mjs'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

const address = process.argv[2] ?? 'http://127.0.0.1:4310/'
const folder = join(ROOT, 'docs', 'screenshots')
const GAUGE = '?machine=crew-roster-db&view=gauge&month=2027-03'

const overviewDone = (page) =>
  page.locator('[data-testid="bench"][aria-busy="false"]').waitFor({ timeout: 60_000 })

const startEmpty = async (page) => {
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Start an empty plan' }).click()
}

/** Over the slot of the nearest cheaper size, once what its needs cost is known. */
const lookAtSize = async (page) => {
  const drawing = page.locator('[data-plate="size"] [data-slots]')
  const slots = (await drawing.getAttribute('data-slots')).split(' ').map(Number)
  const { x, y } = await drawing.boundingBox()
  await page.mouse.move(x + slots[0], y + 14)
  await page.getByText('that need costs').first().waitFor()
  await page.getByTestId('eases-disk-rooms').getByText('−').waitFor()
}

const INVENTORY = [
  'host,machine type,vCPU,RAM,OS,week plan,crew,disk size',
  'bay-1,Heron 2/8,,,,depot-day,signals,64',
  'bay-2,vintage-4,4,16,,depot-day,signals,64',
  'bay-3,vintage-4,4,16,,nights,signals,64',
  'signal-replay,Heron 2/8,,,,,fares,',
  'bay-5,,2,"8,5",Fellside Linux 12,,crew,100',
].join('\n')

/** Name of the picture, where to go, the theme, and what to do there first. */
const PICTURES = [
  ['bench', '?view=bench&month=2027-03', 'light', overviewDone],
  ['hand-off', '?view=hand-off&machine=crew-roster-db&month=2027-03', 'light'],
  [
    'month-report',
    '?view=hand-off&month=2027-03',
    'dark',
    async (page) => {
      await page.getByRole('radio', { name: 'Month report' }).click()
      await page.locator('[data-testid="month-report"][aria-busy="false"]').waitFor({ timeout: 60_000 })
    },
  ],
  [
    'inventory',
    '?view=bench&month=2027-03',
    'light',
    async (page) => {
      await overviewDone(page)
      await page
        .locator('input[aria-label^="Plan, price book"]')
        .setInputFiles({ name: 'bays.csv', mimeType: 'text/csv', buffer: Buffer.from(INVENTORY) })
      await page.getByTestId('inventory-count').waitFor()
    },
  ],
  ['gauge-light', GAUGE, 'light', lookAtSize],
  ['week-light', '?machine=timetable-loadgen&view=week&month=2027-03', 'light'],
  ['month', '?machine=timetable-loadgen&view=month&month=2027-03&day=2027-03-19', 'light'],
  [
    'market',
    '?machine=timetable-loadgen&view=market&month=2027-03',
    'light',
    (page) => page.getByRole('heading', { name: 'What hours change' }).waitFor(),
  ],
  [
    'market-map',
    '?machine=timetable-loadgen&view=market&month=2027-03&drawing=map&best=place',
    'dark',
    (page) => page.getByText(/^The cheapest that fits at each place/).waitFor(),
  ],
  [
    'mix',
    '?view=mix&month=2027-03',
    'light',
    (page) => page.locator('[data-testid="mix-screen"][aria-busy="false"]').waitFor({ timeout: 60_000 }),
  ],
  [
    'bill',
    '?view=bill&month=2027-03',
    'light',
    async (page) => {
      await page.getByRole('button', { name: 'Rehearse this month…' }).click()
      await page.getByRole('button', { name: 'Rehearse', exact: true }).click()
      await page.locator('[data-testid="bill"][aria-busy="false"]').waitFor({ timeout: 60_000 })
    },
  ],
  [
    'rehearsal',
    '?view=bill&month=2027-03',
    'light',
    async (page) => {
      await page.emulateMedia({ reducedMotion: 'no-preference' })
      await page.getByRole('button', { name: 'Rehearse this month…' }).click()
      await page.getByRole('button', { name: 'Watch it' }).click()
      await page.getByTestId('film').waitFor({ timeout: 60_000 })
      for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'Next mishap' }).click()
    },
  ],
  ['side-by-side', '?machine=timetable-loadgen&view=variants&month=2027-03', 'light'],
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
    'prices-typed',
    '?view=bench',
    'light',
    async (page) => {
      await page.clock.setFixedTime('2027-03-10T09:00:00Z')
      await startEmpty(page)
      await page.getByLabel('Provider').fill('Saltmarsh')
      await page.getByLabel('Place').fill('Fallow Quay')
      await page.getByRole('button', { name: 'Type its prices' }).click()
      const rows = [
        ['tern 4-16', '4', '16', '0.1728'],
        ['dunlin 2-4', '2', '4', '0.0204'],
        ['curlew 16-128', '16', '128', '1.288'],
      ]
      for (const row of rows) {
        for (const text of row) {
          await page.keyboard.type(text)
          await page.keyboard.press('Tab')
        }
      }
      await page.getByRole('button', { name: 'Add it to the plan' }).click()
      await page.getByRole('button', { name: /^Rests on/ }).click()
      await page.getByRole('list', { name: 'What assumptions are worth' }).waitFor()
    },
  ],
  ['prices-editions', '?view=prices&provider=quarry-row&edition=2027-07&against=2026-10', 'dark'],
  [
    'prices-list',
    '?view=bench',
    'light',
    async (page) => {
      await page.clock.setFixedTime('2027-03-10T09:00:00Z')
      await startEmpty(page)
      await page.getByTestId('list-file').setInputFiles(join(ROOT, 'data', 'lists', 'windle.xlsx'))
      await page.getByTestId('list-counts').waitFor()
    },
  ],
]

mkdirSync(folder, { recursive: true })
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
for (const [name, query, colorScheme, prepare] of PICTURES) {
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme,
    reducedMotion: 'reduce',
  })
  // How plates are read is shown to newcomers alone.
  await page.addInitScript(() => localStorage.setItem('notchgauge-legend', 'met'))
  await page.goto(new URL(query, address).href)
  await page.getByRole('button', { name: 'Keep the demo' }).click()
  await prepare?.(page)
  await page.waitForTimeout(1_000)
  await page.screenshot({ path: join(folder, `${name}.png`) })
  await page.close()
}
await browser.close()
