const LONGEST = 64

/**
 * An id for a name of any script: lower-case letters, digits and hyphens, such as `std-4x16` for "Std 4x16". Told apart
 * from those that are taken by a number at its end.
 */
export function idOf(name: string, taken: { has(id: string): boolean }, fallback = 'item'): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, LONGEST)
    .replace(/-+$/, '')
  const base = plain === '' ? fallback : plain
  if (!taken.has(base)) return base
  for (let count = 2; ; count++) {
    const end = `-${count}`
    const id = `${base.slice(0, LONGEST - end.length)}${end}`
    if (!taken.has(id)) return id
  }
}
