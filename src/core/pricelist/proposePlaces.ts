import { cityIn } from '../catalogue/cities.ts'
import { wordsIn } from '../quantity/wordsIn.ts'
import type { MappingQuestion, PlaceAnswer } from './listMapping.ts'

/** Names of one place that differ only in how they are written are brought together; cities are found by their names. */
export function proposePlaces(
  tables: readonly ReadonlySet<string>[],
  unsure: Set<MappingQuestion>,
): PlaceAnswer[] {
  const byWords = new Map<string, string>()
  const answers: PlaceAnswer[] = []
  for (const text of new Set(tables.flatMap((texts) => [...texts]))) {
    if (text === '') continue
    const key = wordsIn(text.replace(/(\p{L})(\d)/gu, '$1 $2')).join(' ')
    const known = byWords.get(key)
    if (known === undefined) byWords.set(key, text)
    else answers.push({ text, name: known })
    if (cityIn(text)) unsure.add('places')
  }
  if (answers.length > 0) unsure.add('places')
  return answers
}
