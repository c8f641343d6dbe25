/**
 * Whether two records, or two lists, of one type hold the same: each field the very same value, or lists of the very same
 * values. O(fields + list items).
 */
export function sameFields<T extends object>(a: T, b: T): boolean {
  if (Array.isArray(a) || Array.isArray(b)) return same(a, b)
  for (const field in a) if (!same(a[field], b[field])) return false
  return true
}

const same = (a: unknown, b: unknown): boolean =>
  Object.is(a, b) ||
  (Array.isArray(a) &&
    Array.isArray(b) &&
    a.length === b.length &&
    a.every((each, i) => Object.is(each, b[i])))
