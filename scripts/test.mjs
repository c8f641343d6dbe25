// `npm test`: every check in order, stopping at the first that fails. Ends in `N passed, N failed`.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureChromium, expectChromium } from './chromium.mjs'
import { buildIfChanged, ensureInstalled, ROOT } from './prepare.mjs'

const results = mkdtempSync(join(tmpdir(), 'notchgauge-test-'))
const unitResults = join(results, 'unit.json')
const browserResults = join(results, 'browser.json')
const bin = (name) => join(ROOT, 'node_modules', '.bin', name)

try {
  expectChromium()
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
// The system's packages come while our own do, and while all is checked that needs no browser.
const chromium = ensureChromium()
chromium.catch(() => undefined)
ensureInstalled()

/** Checks that only read: two at a time. */
const READING = [
  ['formatting', bin('oxfmt'), ['--list-different', '.']],
  ['lint', bin('oxlint'), ['--deny-warnings']],
  ['rules of our own', process.execPath, [join(ROOT, 'scripts', 'lint', 'ownRules.mjs')]],
  [
    'types',
    join(ROOT, 'node_modules', 'typescript-native', 'bin', 'tsc'),
    ['--noEmit', '--incremental', 'false'],
  ],
  [
    'dependency rules',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', 'src', 'app', 'bench', 'e2e', 'scripts'],
  ],
  ['no circles of folders', bin('depcruise'), ['--config', '.dependency-cruiser.folders.mjs', 'src', 'app']],
  ['dead code', bin('knip'), []],
]

const CHECKS = [
  [
    'unit tests',
    bin('vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${unitResults}`],
  ],
  ['build', buildIfChanged],
  ['browser', () => chromium],
  ['browser tests', bin('playwright'), ['test'], { PLAYWRIGHT_JSON_OUTPUT_FILE: browserResults }],
]

let failed = await runReading(READING)
for (const [name, command, args, env = {}] of failed ? [] : CHECKS) {
  console.log(`\n== ${name}`)
  if (typeof command === 'function') {
    try {
      await command()
      continue
    } catch (error) {
      console.error(error.message)
      failed = name
      break
    }
  }
  const { status } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  })
  if (status !== 0) {
    failed = name
    break
  }
}

const counts = countTests()
// A check that is not a test counts as one failure, so that the last line never reads as if all went well.
const failures = counts.failed || (failed ? 1 : 0)
if (failed) console.log(`\nFailed at: ${failed}`)
console.log(`\n${counts.passed} passed, ${failures} failed`)
process.exit(failures > 0 || counts.passed === 0 ? 1 : 0)

function countTests() {
  let passed = 0
  let broken = 0
  if (existsSync(unitResults)) {
    const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(unitResults, 'utf8'))
    passed += numPassedTests
    broken += numFailedTests
  }
  if (existsSync(browserResults)) {
    const { stats } = JSON.parse(readFileSync(browserResults, 'utf8'))
    passed += stats.expected + stats.flaky
    broken += stats.unexpected
  }
  return { passed, failed: broken }
}

/** Runs checks side by side, prints what each said in their order, and answers the first that failed. */
async function runReading(checks) {
  const waiting = checks.map(([name, command, args]) => ({ name, command, args }))
  const done = new Map()
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const { name, command, args } = next
      done.set(name, await runQuietly(command, args))
    }
  }
  await Promise.all([work(), work()])
  for (const [name] of checks) console.log(`\n== ${name}\n${done.get(name).said}`.trimEnd())
  return checks.find(([name]) => done.get(name).status !== 0)?.[0]
}

function runQuietly(command, args, env = process.env) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text))
    child.on('error', (error) => resolve({ status: 1, said: error.message }))
    child.on('close', (status) => resolve({ status, said }))
  })
}
