import transliterate from '@sindresorhus/transliterate'

const LONGEST = 60

/**
 * Text as a name for files, hosts and units: letters of other alphabets and accents as the Latin ones that stand for
 * them, the rest as hyphens; lower case, never empty.
 */
export function plainName(text: string, { most = LONGEST, empty = 'plan' } = {}): string {
  const plain = transliterate(text.normalize('NFC'))
    .normalize('NFKD')
    .toLowerCase()
    .replace(/\p{M}+/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, most + 1)
    .replace(/^-+/, '')
    .slice(0, most)
    .replace(/-+$/, '')
  return plain || empty
}

/** What is named, and how long its plain name may be. */
export interface Named {
  readonly name: string
  readonly most?: number
}

/**
 * Plain names that are all different, in the order of what they stand for: what would be a second one of a kind has a
 * number behind it. `taken` are names that are in use already.
 */
export function plainNames(named: readonly Named[], taken: Iterable<string> = []): string[] {
  const used = new Set(taken)
  return named.map(({ name, most = LONGEST }) => {
    const plain = plainName(name, { most, empty: 'machine' })
    let own = plain
    for (let count = 2; used.has(own); count += 1) {
      const suffix = `-${count}`
      own = `${plain.slice(0, most - suffix.length).replace(/-+$/, '')}${suffix}`
    }
    used.add(own)
    return own
  })
}
