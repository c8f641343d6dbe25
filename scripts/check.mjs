// `npm run check [BASE]`: what a change can touch, in a minute or two; `npm test` decides. BASE is a commit, HEAD by itself.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { ensureChromium } from './chromium.mjs'
import { buildIfChanged, ensureInstalled, ROOT } from './prepare.mjs'

/** Browser tests by what they look at: `e2e/NAME.spec.ts`. */
const BROWSER_TESTS = [
  [/^src\/screens\/(apart|access|variants)\//, ['apart', 'says', 'screens']],
  [/^src\/screens\/bench\//, ['bench', 'firstMinute']],
  [/^src\/screens\/bill\//, ['bill']],
  [/^src\/screens\/(book|prices|proposal)\//, ['prices', 'priceLists', 'files']],
  [/^src\/screens\/(gauge|needs)\//, ['gauge', 'slots', 'glance']],
  [/^src\/screens\/(week|gaps)\//, ['week', 'schedule']],
  [/^src\/screens\/handoff\//, ['handOff']],
  [/^src\/screens\/inventory\//, ['inventory']],
  [/^src\/screens\/(lastResort|frame)\//, ['lastResort', 'plan', 'files']],
  [/^src\/screens\/ledger\//, ['ledger']],
  [/^src\/screens\/(list|market)\//, ['market', 'slots']],
  [/^src\/screens\/mix\//, ['mix']],
  [/^src\/screens\/month\//, ['month']],
  [/^src\/screens\/(palette|plans)\//, ['plans']],
  [/^src\/screens\/terms\//, ['terms']],
  [/^src\/screens\/watch\//, ['watch']],
  [/^src\/screens\/workbench\//, ['screens', 'walk']],
  [/^src\/(interface|wording)\//, ['walk', 'says', 'screens']],
  [/^src\/(store|workers)\//, ['plan', 'plans', 'walk']],
  [/^(src\/server\/|app\/api\/|instrumentation\.ts)/, ['service']],
  [/^(app\/|proxy\.ts|next\.config\.ts)/, ['screens', 'load']],
]

const git = (...args) =>
  spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' }).stdout.split('\n').filter(Boolean)
const base = process.argv[2] ?? 'HEAD'
const changed = [...git('diff', '--name-only', base), ...git('ls-files', '--others', '--exclude-standard')]
const there = changed.filter((path) => existsSync(join(ROOT, path)))
if (there.length === 0) {
  console.log(`Nothing has changed since ${base}. Name another commit, or run npm test.`)
  process.exit(0)
}

const specs = new Set(there.map((path) => /^e2e\/(\w+)\.spec\.ts$/.exec(path)?.[1]).filter(Boolean))
for (const path of there) {
  for (const [pattern, names] of BROWSER_TESTS)
    if (pattern.test(path)) names.forEach((name) => specs.add(name))
}
const code = there.filter((path) => /^(src|scripts)\/.*\.tsx?$/.test(path))
const bin = (name) => join(ROOT, 'node_modules', '.bin', name)

function run(what, command, ...args) {
  console.log(`\n== ${what}`)
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' })
  if (status === 0) return
  console.log(`\nFailed at: ${what}`)
  process.exit(1)
}

try {
  ensureInstalled()
  run('formatting', bin('oxfmt'), '--list-different', '.')
  run('lint', bin('oxlint'), '--deny-warnings')
  run('types', join(ROOT, 'node_modules/typescript-native/bin/tsc'), '--noEmit', '--incremental', 'false')
  if (code.length > 0) run('unit tests', bin('vitest'), 'related', '--run', '--passWithNoTests', ...code)
  if (specs.size > 0) {
    await ensureChromium()
    buildIfChanged()
    const files = [...specs].map((name) => `e2e/${name}.spec.ts`)
    run(`browser tests: ${[...specs].join(', ')}`, bin('playwright'), 'test', ...files)
  }
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
console.log(`\nAll that ${there.length} changed files can touch holds.`)
