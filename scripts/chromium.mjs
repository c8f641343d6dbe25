// The browser of tests, benchmarks and pictures: Debian's, installed where it is missing.
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'

export const CHROMIUM = '/usr/bin/chromium-headless-shell'

/** The browser alone, and letters for what our own font lacks. */
const PACKAGES = ['chromium-headless-shell', 'fonts-liberation']
const BY_HAND = 'This needs Chromium. Install it with: sudo apt-get install chromium-headless-shell'

/** Throws at once, not after minutes, where the browser is missing and may not be installed. */
export function expectChromium() {
  if (!existsSync(CHROMIUM) && process.getuid?.() !== 0) throw new Error(BY_HAND)
}

/** Rejects with what to do where it cannot be installed. */
export async function ensureChromium() {
  expectChromium()
  if (existsSync(CHROMIUM)) return
  console.log('Installing Chromium…')
  const updated = await aptGet('update', '-qq')
  const installed = await aptGet('install', '-y', '-qq', '--no-install-recommends', ...PACKAGES)
  if (installed.status !== 0) throw new Error(`${updated.said}${installed.said}\n${BY_HAND}`)
}

function aptGet(...args) {
  return new Promise((resolve) => {
    const child = spawn('apt-get', args, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text))
    child.on('error', (error) => resolve({ status: 1, said: error.message }))
    child.on('close', (status) => resolve({ status, said }))
  })
}
