import type { BillField, BillMapping } from './billMapping.ts'
import { wordsOf, type BillSample } from './proposeBillMapping.ts'

/** What a column of a bill can be: a field, a tag that is kept, or nothing. */
export type BillRole = BillField | 'tag' | 'not used'

/**
 * A mapping in which a column is one thing alone: what was read out of it before is read no more, and a field that another
 * column said is said by this one.
 */
export function withBillRole(
  mapping: BillMapping,
  heading: string,
  role: BillRole,
  sample: BillSample,
): BillMapping {
  const kept = Object.fromEntries(
    Object.entries(mapping.fields).filter(
      ([field, source]) => field !== role && !(source.from === 'column' && source.column === heading),
    ),
  ) as BillMapping['fields']
  const isField = role !== 'tag' && role !== 'not used'
  const fields = isField ? { ...kept, [role]: { from: 'column', column: heading } as const } : kept
  const others = mapping.tags.filter((tag) => tag !== heading)
  const isWord = (['kind', 'unit'] as const).some(
    (field) => JSON.stringify(fields[field]) !== JSON.stringify(mapping.fields[field]),
  )
  return {
    ...mapping,
    fields,
    tags: role === 'tag' ? [...others, heading] : others,
    ...(isWord && wordsOf(fields, sample)),
  }
}
