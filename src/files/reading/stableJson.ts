/** Keys that read best in this order; all others follow in the order of their text, so that files diff well. */
const FIRST_KEYS = [
  'format', 'id', 'name', 'provider', 'edition', 'month', 'purpose', 'currency', 'valid', 'billingZone', 'timeZone',
  'needs', 'region', 'zone', 'size', 'image', 'terms', 'systemDisk', 'dataDisks', 'address', 'week', 'off',
  'billing', 'states', 'hibernation', 'regions', 'families', 'sizes', 'diskKinds', 'licences', 'images', 'from', 'to',
  'family', 'generation', 'architecture', 'vcpu', 'memoryGiB', 'weeks', 'machines', 'prices',
  'mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun',
] // prettier-ignore

const RANK = new Map(FIRST_KEYS.map((key, i) => [key, i]))

function compareKeys(a: string, b: string): number {
  const rank = (RANK.get(a) ?? FIRST_KEYS.length) - (RANK.get(b) ?? FIRST_KEYS.length)
  if (rank !== 0) return rank
  const number = Number(a) - Number(b)
  return Number.isNaN(number) ? (a < b ? -1 : 1) : number
}

const sorted = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(sorted)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => compareKeys(a, b))
      .map(([key, item]) => [key, sorted(item)]),
  )
}

/** The same data always gives the same bytes: keys in a fixed order, two spaces, a newline at the end. */
export const stableJson = (value: unknown): string => `${JSON.stringify(sorted(value), null, 2)}\n`
