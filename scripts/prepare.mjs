// What `npm start` and `npm test` share: packages and the build, each made only when it is missing or out of date.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..')
export const NO_TELEMETRY = { NEXT_TELEMETRY_DISABLED: '1' }

/** What the build is made of. */
const BUILD_INPUTS = [
  'app',
  'src',
  'data',
  'proxy.ts',
  'instrumentation.ts',
  'next.config.ts',
  'tsconfig.json',
  'package-lock.json',
]
const BUILD_STAMP = join(ROOT, '.stamps', 'build')

export const nextCommand = (...args) => [join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next'), ...args]

/** Throws a sentence when the command fails; what it printed stands above. */
function runOrThrow(what, command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options })
  if (status === 0) return
  throw new Error(`${what} failed${error ? `: ${error.message}` : ''}.`)
}

/** Installs the locked packages where they are missing or older than the lock file. */
export function ensureInstalled() {
  const marker = join(ROOT, 'node_modules', '.package-lock.json')
  const lock = join(ROOT, 'package-lock.json')
  if (existsSync(marker) && statSync(marker).mtimeMs >= statSync(lock).mtimeMs) return
  console.log('Installing packages…')
  runOrThrow('Installing packages', 'npm', ['ci', '--no-audit', '--no-fund'])
}

function* filesUnder(path) {
  if (!existsSync(path)) return
  if (!statSync(path).isDirectory()) yield path
  else for (const name of readdirSync(path).sort()) yield* filesUnder(join(path, name))
}

function sourceDigest() {
  const hash = createHash('sha256')
  for (const input of BUILD_INPUTS) {
    for (const file of filesUnder(join(ROOT, input))) {
      if (!/\.test\.tsx?$/.test(file)) hash.update(file.slice(ROOT.length)).update(readFileSync(file))
    }
  }
  return hash.digest('hex')
}

export function buildIfChanged() {
  const digest = sourceDigest()
  const built = existsSync(BUILD_STAMP) && existsSync(join(ROOT, '.next', 'BUILD_ID'))
  if (built && readFileSync(BUILD_STAMP, 'utf8') === digest) return
  console.log('Building…')
  runOrThrow('The build', process.execPath, nextCommand('build'), {
    env: { ...process.env, ...NO_TELEMETRY },
  })
  mkdirSync(dirname(BUILD_STAMP), { recursive: true })
  writeFileSync(BUILD_STAMP, digest)
}
