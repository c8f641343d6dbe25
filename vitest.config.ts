import { readdirSync, readFileSync } from 'node:fs'
import { defineConfig } from 'vitest/config'

const TESTS = ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts']

/** Tests that put something else in a module's place, or look at the page: they stand alone, and the others share what they import. */
const ALONE = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .map((path) => `src/${path}`)
  .filter((path) => /\.test\.tsx?$/.test(path))
  .filter((path) => /vi\.mock\(|@vitest-environment/.test(readFileSync(path, 'utf8')))

export default defineConfig({
  test: {
    environment: 'node',
    testTimeout: 60_000,
    // One a core, where there are two: the machine has nothing else to do meanwhile.
    maxWorkers: 2,
    projects: [
      { extends: true, test: { name: 'together', include: TESTS, exclude: ALONE, isolate: false } },
      { extends: true, test: { name: 'alone', include: ALONE } },
    ],
  },
})
