import { defineConfig, devices } from '@playwright/test'
import { CHROMIUM as PROGRAM } from './scripts/chromium.mjs'

const PORT = 4398

/**
 * Debian's Chromium; what it would fetch by itself is turned off, and it can run as root in a container. Pages live for
 * seconds, too short for most of the optimised code to pay that an engine makes early, and for most of its collecting.
 */
const CHROMIUM = {
  executablePath: PROGRAM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--js-flags=--invocation-count-for-maglev=2000 --min-semi-space-size=64',
  ],
}

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  // One more than cores are counted on: each waits now and then.
  workers: 3,
  // Ceilings against hanging alone: machines differ, and are busy with other work.
  timeout: 1_800_000,
  expect: { timeout: 180_000 },
  // One that needs its second try is named as flaky.
  retries: 1,
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_FILE ? [['list'], ['json']] : [['list']],
  use: {
    ...devices['Desktop Chrome'],
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    timezoneId: 'Europe/Lisbon',
    trace: 'off',
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start --hostname 127.0.0.1 --port ${PORT}`,
    url: `http://127.0.0.1:${PORT}/`,
    timeout: 600_000,
    env: { NEXT_TELEMETRY_DISABLED: '1' },
    reuseExistingServer: !process.env.CI,
  },
})
