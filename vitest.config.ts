import { randomInt } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { defineConfig } from 'vitest/config'
import { CEILING } from './src/core/testing/ceiling.ts'

const TESTS = ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts']

/** Tests that put something else in a module's place, or look at the page: they stand alone, and the others share what they import. */
const ALONE = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .map((path) => `src/${path}`)
  .filter((path) => /\.test\.tsx?$/.test(path))
  .filter((path) => /vi\.mock\(|@vitest-environment/.test(readFileSync(path, 'utf8')))

/** Random checks look at something else each time; `SEED` repeats a run. Each project reads this file anew. */
function seedOfRun(): string {
  if (process.env.SEED !== undefined) return process.env.SEED
  const seed = (process.env.SEED = String(randomInt(1_000_000)))
  if (process.argv[1]?.includes('vitest')) console.log(`Random checks begin at SEED=${seed}.`)
  return seed
}

export default defineConfig({
  test: {
    environment: 'node',
    env: { SEED: seedOfRun() },
    // Ceilings against hanging alone: long runs of random checks, and machines that are busy, take their time.
    testTimeout: 3_600_000,
    hookTimeout: CEILING.timeout,
    teardownTimeout: CEILING.timeout,
    expect: { poll: { timeout: CEILING.timeout, interval: 10 } },
    // One a core, where there are two: the machine has nothing else to do meanwhile.
    maxWorkers: 2,
    projects: [
      { extends: true, test: { name: 'together', include: TESTS, exclude: ALONE, isolate: false } },
      { extends: true, test: { name: 'alone', include: ALONE } },
    ],
  },
})
