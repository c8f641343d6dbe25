import { DATABASE_NAME } from '../../store/database.ts'
import type { Demo } from '../../store/openStored.ts'

let coming: Promise<Demo> | undefined

/** The demo plan and its price books, which were checked when the program was built. */
export const loadDemo = (): Promise<Demo> =>
  (coming ??= fetchDemo().catch((error: unknown) => {
    coming = undefined
    throw error
  }))

async function fetchDemo(): Promise<Demo> {
  const response = await fetch('/demo.json')
  if (!response.ok) throw new Error('The demo could not be fetched.')
  return (await response.json()) as Demo
}

/** Fetches the demo beside the scripts where nothing is stored yet. */
export async function fetchDemoAhead(): Promise<void> {
  try {
    const stored = await indexedDB.databases()
    if (stored.every(({ name }) => name !== DATABASE_NAME)) await loadDemo()
  } catch {
    // It is fetched, or its absence said, when it is needed.
  }
}
