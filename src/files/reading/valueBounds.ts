import type { FileIssue } from './fileIssue.ts'
import { MOST_ENTRIES, MOST_LEVELS, tooDeep, tooManyEntries } from './jsonBounds.ts'

/**
 * The same bounds for what is parsed already, such as what the browser stores: said before anything is looked at
 * closely. O(values), no recursion.
 */
export function valueBeyondBounds(value: unknown, mostEntries = MOST_ENTRIES): FileIssue | undefined {
  const open: { readonly value: object; readonly path: readonly string[] }[] = []
  const isOpen = (entered: unknown): entered is object => typeof entered === 'object' && entered !== null
  if (isOpen(value)) open.push({ value, path: [] })
  for (let next = open.pop(); next; next = open.pop()) {
    const { path } = next
    if (path.length >= MOST_LEVELS) return tooDeep(path)
    const entries = Object.entries(next.value)
    if (entries.length > mostEntries) return tooManyEntries(path, mostEntries)
    for (const [key, each] of entries) {
      if (isOpen(each)) open.push({ value: each, path: [...path, key] })
    }
  }
  return undefined
}
