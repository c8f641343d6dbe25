import type { StorageProblem } from './storeNotice.ts'

/** Thrown where the store itself knows what is wrong. */
export class StoreError extends Error {
  constructor(readonly problem: StorageProblem) {
    super(problem.code)
  }
}

/** Why the browser did not store something. */
export function storageProblem(error: unknown): StorageProblem {
  const name = error instanceof Error ? error.name : ''
  if (/Quota/.test(name) || /quota/i.test(String(error))) return { code: 'full' }
  if (/MissingAPI|OpenFailed|InvalidState|Security|DatabaseClosed/.test(name)) return { code: 'refused' }
  return error instanceof StoreError ? error.problem : { code: 'failed' }
}
