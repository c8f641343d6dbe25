/** What went wrong in the store, in a sentence for people. */
export class StoreProblem extends Error {}

/** Why the browser did not store something, in words. */
export function storageProblem(error: unknown): string {
  const name = error instanceof Error ? error.name : ''
  if (/Quota/.test(name) || /quota/i.test(String(error))) return 'The browser’s storage is full.'
  if (/MissingAPI|OpenFailed|InvalidState|Security|DatabaseClosed/.test(name)) {
    return 'The browser refuses to store data for this page.'
  }
  return error instanceof StoreProblem ? error.message : 'The browser could not store the plan.'
}
