import type { Manner } from '../manner/manners.ts'
import type { ListMapping, MappingQuestion } from './listMapping.ts'

/** How lists of one shape become a provider's price book: all that was answered once. */
export interface PriceRecipe {
  readonly provider: { readonly id: string; readonly name: string }
  readonly manner: Manner
  readonly mapping: ListMapping
  /** Answers of the mapping that were proposed and that nobody has confirmed. */
  readonly assumed?: readonly MappingQuestion[]
}

/** The columns that a recipe reads. */
function columnsRead({ mapping }: Pick<PriceRecipe, 'mapping'>): string[] {
  const columns = mapping.rows.flatMap(({ only, fields, places = [] }) => [
    ...only.map(({ column }) => column),
    ...Object.values(fields).flatMap((source) => (source?.from === 'column' ? [source.column] : [])),
    ...places,
  ])
  return [...new Set(columns)]
}

/** Columns that a recipe reads and a list lacks: none where the list is of the recipe's shape. */
export function columnsLacking(recipe: Pick<PriceRecipe, 'mapping'>, columns: readonly string[]): string[] {
  const there = new Set(columns)
  return columnsRead(recipe).filter((column) => !there.has(column))
}
