import { keptFor } from '../../core/keptFor.ts'
import { distance } from 'fastest-levenshtein'
import { plainName } from '../reading/plainNames.ts'

/** What a word of a table can mean. */
export interface Meaning {
  readonly id: string
  readonly name: string
  /** Other words for it. */
  readonly also?: readonly string[]
}

/** Letters in which two words may differ, for each so many of the longer one. */
const LETTERS_AN_ERROR = 4

const byNumbers = new Intl.Collator('en', { numeric: true })

/**
 * The meaning whose id, name or other word is nearest to a text: the same but for case, accents and marks; else one that
 * holds all its words, of several the one with the highest number; else one with few other letters. Undefined where none
 * is near. O(meanings × letters²).
 */
export function nearestName(text: string, meanings: readonly Meaning[]): string | undefined {
  const wanted = plainName(text, { empty: '' })
  if (wanted === '') return undefined
  const known = knownWords(meanings)
  const same = known.find(({ plain }) => plain.includes(wanted))
  if (same) return same.id
  const words = wanted.split('-')
  const holding = known.filter(({ plain }) => plain.some((each) => holdsWords(each.split('-'), words)))
  if (holding.length > 0) return holding.toSorted((a, b) => byNumbers.compare(b.name, a.name))[0]!.id
  if (known.length === 0) return undefined
  const near = known
    .map(({ id, plain }) => ({ id, errors: Math.min(...plain.map((each) => distance(each, wanted))) }))
    .reduce((best, each) => (each.errors < best.errors ? each : best))
  return near.errors <= Math.floor(wanted.length / LETTERS_AN_ERROR) ? near.id : undefined
}

interface KnownWords {
  readonly id: string
  readonly name: string
  readonly plain: readonly string[]
}

/** Each list is gone through once and must not change. */
const knownWords = keptFor((meanings: readonly Meaning[]): readonly KnownWords[] =>
  meanings.map(({ id, name, also = [] }) => ({
    id,
    name,
    plain: [id, name, ...also].map((word) => plainName(word, { empty: '' })),
  })),
)

/** Whether one holds all words of the other. */
const holdsWords = (a: readonly string[], b: readonly string[]): boolean =>
  b.every((word) => a.includes(word)) || a.every((word) => b.includes(word))
