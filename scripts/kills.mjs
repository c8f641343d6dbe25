// `npm run kills`: ends the browser at random moments after an edit, and looks at what is there when it is opened again.
// Nothing that was said to be saved may be gone, and the plan must open every time. KILLS and SEED choose how many and which.
import { chromium } from '@playwright/test'
import { CHROMIUM } from './chromium.mjs'
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seededRandom } from './seededRandom.mjs'
import { serve } from './serve.mjs'

const COUNT = Number(process.env.KILLS ?? 300)
const SEED = Number(process.env.SEED ?? 15)
const LONGEST_WAIT_MS = 300
const [PORT, DEBUGGING] = [4_395, 4_394]
const PAGE = `http://127.0.0.1:${PORT}/`
const profile = mkdtempSync(join(tmpdir(), 'notchgauge-kills-'))

const random = seededRandom(SEED)

async function browse() {
  const args = ['--headless', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync', `--user-data-dir=${profile}`, `--remote-debugging-port=${DEBUGGING}`] // prettier-ignore
  const program = spawn(CHROMIUM, args, { stdio: 'ignore', detached: true })
  for (let tries = 0; ; tries += 1) {
    try {
      const browser = await chromium.connectOverCDP(`http://127.0.0.1:${DEBUGGING}`)
      const page = browser.contexts()[0].pages()[0] ?? (await browser.contexts()[0].newPage())
      return { page, kill: () => kill(program, browser) }
    } catch (error) {
      if (tries === 100) throw error
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
  }
}

async function kill(program, browser) {
  const gone = new Promise((resolve) => program.once('exit', resolve))
  process.kill(-program.pid, 'SIGKILL')
  await gone
  await browser.close().catch(() => undefined)
}

async function open(page) {
  await page.goto(PAGE)
  await page.locator('[data-testid=plan-totals][aria-busy=false]').waitFor({ timeout: 30_000 })
}

const nameOn = async (page) =>
  /^Plan name: (.*)\. Rename$/.exec(
    await page.getByRole('button', { name: /^Plan name: / }).getAttribute('aria-label'),
  )[1]

const server = await serve(PORT)
const found = { kept: 0, lostUnsaved: 0, lostSaved: 0, damaged: 0 }
const lostAfter = []
try {
  for (let i = 0; i < COUNT; i += 1) {
    const { page, kill: end } = await browse()
    await open(page)
    const name = `Plan ${SEED} ${i}`
    await page.getByRole('button', { name: /^Plan name: / }).click()
    await page.keyboard.press('Control+A')
    await page.keyboard.type(name)
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: `Plan name: ${name}. Rename` }).waitFor()
    const wait = random() ** 2 * LONGEST_WAIT_MS
    await new Promise((resolve) => setTimeout(resolve, wait))
    const saved = (await page.getByTestId('saved').textContent()) === 'All changes are saved'
    await end()
    const again = await browse()
    try {
      await open(again.page)
      const isThere = (await nameOn(again.page)) === name
      if (isThere) found.kept += 1
      else {
        found[saved ? 'lostSaved' : 'lostUnsaved'] += 1
        lostAfter.push(Math.round(wait))
      }
    } catch {
      found.damaged += 1
    }
    await again.kill()
    if (i % 25 === 24)
      console.log(`${i + 1} kills: ${JSON.stringify(found)}, lost after ms: ${lostAfter.join(' ')}`)
  }
} finally {
  server.kill()
  rmSync(profile, { recursive: true, force: true, maxRetries: 5 })
}
console.log(`${COUNT} kills, seed ${SEED}: ${JSON.stringify(found)}`)
if (found.lostSaved > 0 || found.damaged > 0) process.exit(1)
