// `npm run tabs`: two tabs edit one plan at random moments. In the end both must show the same, as must the store when it
// is opened again, and what was said to be saved must be in it. RUNS and SEED choose how many and which.
import { chromium } from '@playwright/test'
import { CHROMIUM } from './chromium.mjs'
import { serve } from './serve.mjs'
import { seededRandom } from './seededRandom.mjs'

const RUNS = Number(process.env.RUNS ?? 200)
const SEED = Number(process.env.SEED ?? 15)
const EDITS = 6
const LONGEST_WAIT_MS = 400
const PORT = 4_393
const PAGE = `http://127.0.0.1:${PORT}/`
const random = seededRandom(SEED)
const pick = (list) => list[Math.floor(random() * list.length)]
const MACHINES = ['timetable-loadgen', 'depot-kiosk']

async function open(page, machine) {
  await page.goto(`${PAGE}?machine=${machine}`)
  await settled(page)
}

const settled = (page) =>
  page.locator('[data-testid=plan-totals][aria-busy=false]').waitFor({ timeout: 30_000 })

/** What a person would compare: the plan's name and its total. */
async function shown(page) {
  await settled(page)
  return {
    name: await page.getByRole('button', { name: /^Plan name: / }).getAttribute('aria-label'),
    total: await page.getByTestId('plan-totals').textContent(),
  }
}

async function rename(page, name) {
  await page.getByRole('button', { name: /^Plan name: / }).click()
  await page.keyboard.press('Control+A')
  await page.keyboard.type(name)
  await page.keyboard.press('Enter')
}

/** Moves a notch by keys, on whichever machine the tab has open; what has no other choice that fits shows no slider. */
async function notch(page) {
  await settled(page)
  const wanted = page.getByRole('slider', { name: pick([/^Size/, /^When off/]) }).first()
  const slider = (await wanted.count()) > 0 ? wanted : page.getByRole('slider').first()
  await slider.focus()
  await page.keyboard.press(pick(['ArrowLeft', 'ArrowRight']))
}

const undo = (page) => page.keyboard.press('Control+Z')

async function edit(page, name) {
  const kind = random()
  if (kind < 0.4) return rename(page, name)
  if (kind < 0.8) return notch(page)
  return undo(page)
}

const saved = async (page) => (await page.getByTestId('saved').textContent()) === 'All changes are saved'

async function allSaved(pages) {
  for (let tries = 0; tries < 100; tries += 1) {
    if ((await Promise.all(pages.map(saved))).every(Boolean)) return true
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  return false
}

const found = { alike: 0, parted: 0, lostSaved: 0, failed: 0 }
const server = await serve(PORT)
const browser = await chromium.launch({ executablePath: CHROMIUM })
try {
  for (let run = 0; run < RUNS; run += 1) {
    const context = await browser.newContext()
    const tabs = [await context.newPage(), await context.newPage()]
    const errors = []
    for (const tab of tabs) tab.on('pageerror', ({ message }) => errors.push(message))
    try {
      await open(tabs[0], MACHINES[0])
      await open(tabs[1], MACHINES[1])
      const streams = tabs.map(async (tab, at) => {
        for (let i = 0; i < EDITS; i += 1) {
          await edit(tab, `Plan ${SEED} ${run} ${at} ${i}`)
          await new Promise((resolve) => setTimeout(resolve, random() ** 2 * LONGEST_WAIT_MS))
        }
      })
      await Promise.all(streams)
      const isSaved = await allSaved(tabs)
      await new Promise((resolve) => setTimeout(resolve, 500))
      const [a, b] = await Promise.all(tabs.map(shown))
      await Promise.all(tabs.map((tab, at) => open(tab, MACHINES[at])))
      const again = await shown(tabs[0])
      const isSame = (one, other) => one.name === other.name && one.total === other.total
      if (errors.length > 0 || !isSaved) found.failed += 1
      else if (!isSame(a, b)) found.parted += 1
      else if (!isSame(a, again)) found.lostSaved += 1
      else found.alike += 1
      if (errors.length > 0 || !isSaved || !isSame(a, b) || !isSame(a, again)) {
        console.log(`run ${run}: ${JSON.stringify({ isSaved, errors, a, b, again })}`)
      }
    } catch (error) {
      found.failed += 1
      console.log(`run ${run}: ${String(error).slice(0, 500)}`)
    }
    await context.close()
    if (run % 25 === 24) console.log(`${run + 1} runs: ${JSON.stringify(found)}`)
  }
} finally {
  await browser.close()
  server.kill()
}
console.log(`${RUNS} two-tab runs of ${2 * EDITS} edits, seed ${SEED}: ${JSON.stringify(found)}`)
if (found.alike < RUNS) process.exit(1)
