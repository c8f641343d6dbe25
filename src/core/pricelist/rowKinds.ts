import { insideCell } from './insideCell.ts'
import { isNamed, isNumber } from './columnFinder.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import { ROW_KINDS, type RowKind } from './listMapping.ts'
import { KIND_WORDS } from './listWords.ts'
import { wordsIn } from '../quantity/wordsIn.ts'

interface KindGroup {
  readonly kind: RowKind
  readonly column: string
  readonly values: readonly string[]
}

const MOST_VALUES = 16

/** What rows are, where a column tells it: `machine` in some, `storage` and `traffic` in others. Texts that say none of it are left out. */
export function kindGroups(traits: readonly ColumnTraits[]): KindGroup[] {
  for (const { column, distinct, letters } of traits) {
    if (letters < 0.5 || distinct.length < 2 || distinct.length > MOST_VALUES) continue
    const byKind = new Map<RowKind, string[]>()
    for (const value of distinct) {
      const kind = kindOfWords(wordsIn(value))
      if (kind) byKind.set(kind, [...(byKind.get(kind) ?? []), value])
    }
    if (byKind.size < 2) continue
    return [...byKind].map(([kind, values]) => ({ kind, column, values }))
  }
  return []
}

/** What every row of a table is. */
export function kindOfTable(name: string, traits: readonly ColumnTraits[]): RowKind {
  const hasFigures = (['vcpu', 'memory'] as const).every(
    (field) => traits.some((each) => isNumber(each) && isNamed(each, field)) || insideCell(field, traits),
  )
  if (hasFigures) return 'size-price'
  return kindOfWords([...wordsIn(name), ...traits.flatMap(({ words }) => words)]) ?? 'size-price'
}

/** The kind whose words are said, those that are surest first. */
function kindOfWords(words: readonly string[]): RowKind | undefined {
  const order: readonly RowKind[] = [
    'snapshot-price',
    'traffic-price',
    'disk-price',
    'address-price',
    ...ROW_KINDS,
  ]
  return order.find((kind) => words.some((word) => KIND_WORDS[kind].has(word)))
}
