/** What was chosen since the page was opened, for browsers that keep nothing. */
const held = new Map<string, string>()

/** A person's own way of looking, kept in this browser and not with the plan; undefined where none was chosen. */
export function rememberedHere(key: string): string | undefined {
  const own = held.get(key)
  if (own !== undefined) return own
  try {
    return localStorage.getItem(`notchgauge-${key}`) ?? undefined
  } catch {
    return undefined
  }
}

/** It holds until the page is left where the browser does not allow more. */
export function rememberHere(key: string, value: string): void {
  held.set(key, value)
  try {
    localStorage.setItem(`notchgauge-${key}`, value)
  } catch {
    // Held above.
  }
}
