// `npm run bench:NAME`: installs what is missing, builds what is measured, and runs `bench/FILE.ts`.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureChromium } from './chromium.mjs'
import { buildIfChanged, ensureInstalled, ROOT } from './prepare.mjs'

/** Measured in a browser, on the built page. */
const ON_THE_PAGE = ['benchOpen', 'drag', 'inputToPaint', 'load', 'scale']

const [name, ...args] = process.argv.slice(2)
try {
  ensureInstalled()
  if (ON_THE_PAGE.includes(name)) {
    await ensureChromium()
    buildIfChanged()
  }
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
const { buildSync } = await import('esbuild')
const outfile = join(ROOT, '.stamps', `${name}.mjs`)
buildSync({
  entryPoints: [join(ROOT, 'bench', `${name}.ts`)],
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  outfile,
  logLevel: 'warning',
})
process.exit(spawnSync(process.execPath, [outfile, ...args], { cwd: ROOT, stdio: 'inherit' }).status ?? 1)
