/** Where this run's random checks begin: anew each time, or as `SEED` says (`vitest.config.ts`). */
export const RANDOM_SEED = Number(process.env.SEED)

const TIMES = Number(process.env.RUNS ?? 1)

/** How often a check is to look, `RUNS` times as often where that is said: `npm run test:long`. */
export const randomCount = (count: number): number => Math.max(1, Math.round(count * TIMES))

/** For `fc.assert`. */
export const randomRuns = (numRuns: number): { readonly seed: number; readonly numRuns: number } => ({
  seed: RANDOM_SEED,
  numRuns: randomCount(numRuns),
})
