import { afterEach, beforeEach, vi } from 'vitest'

/** The browser's storage of texts for the tests of a file, empty before each; answers what is stored now. */
export function stubStorage(): () => Map<string, string> {
  let stored = new Map<string, string>()
  beforeEach(() => {
    stored = new Map()
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => stored.get(key) ?? null,
      setItem: (key: string, value: string) => void stored.set(key, value),
    })
  })
  afterEach(() => {
    vi.unstubAllGlobals()
  })
  return () => stored
}
