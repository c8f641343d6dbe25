import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts'],
    environment: 'node',
    testTimeout: 60_000,
    // One a core, where there are two: the machine has nothing else to do meanwhile.
    maxWorkers: 2,
  },
})
