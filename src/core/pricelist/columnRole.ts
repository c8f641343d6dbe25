import type { FieldSource, ListField, PriceColumn, RowMeaning } from './listMapping.ts'

/** Fields that a meaning reads out of a column as a whole or in part. */
export const fieldsOf = ({ fields }: RowMeaning, column: string): ListField[] =>
  (Object.entries(fields) as [ListField, FieldSource][]).flatMap(([field, source]) =>
    source.from === 'column' && source.column === column ? [field] : [],
  )

/**
 * The meaning with a column taken for one field alone, or for none. Whatever was read out of it before is not read any
 * more; a field that another column had goes to this one. Of several columns of prices it becomes or is no longer one.
 */
export function withRole(meaning: RowMeaning, column: string, role: ListField | undefined): RowMeaning {
  const own = new Set<ListField>(fieldsOf(meaning, column))
  const kept = Object.fromEntries(
    (Object.entries(meaning.fields) as [ListField, FieldSource][]).filter(
      ([field]) => !own.has(field) && field !== role,
    ),
  ) as RowMeaning['fields']
  const others = meaning.prices?.filter((each) => each.column !== column)
  const isAcross = role === 'price' && others !== undefined && others.length > 0
  const prices: readonly PriceColumn[] | undefined = isAcross ? [...others, { column }] : others
  const { prices: _, ...rest } = meaning
  const fields: RowMeaning['fields'] =
    role === undefined || isAcross ? kept : { ...kept, [role]: { from: 'column', column } }
  if (!prices || prices.length === 0) return { ...rest, fields }
  return { ...rest, fields, prices }
}
