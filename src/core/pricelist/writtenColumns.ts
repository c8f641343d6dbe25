import { dateOrderOf, type DateOrder } from '../table/readDate.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import type { ListField, MappingQuestion, WrittenColumn } from './listMapping.ts'
import type { ProposedRows } from './sampleTable.ts'

const DATES: readonly ListField[] = ['validFrom', 'validTo']
const FIGURES: readonly ListField[] = [
  'price',
  'upFront',
  'memory',
  'vcpu',
  'room',
  'bandFrom',
  'bandUpTo',
  'localDisk',
  'iops',
]

interface Written {
  /** Columns that are written otherwise than the rest. */
  readonly written: readonly WrittenColumn[]
  readonly dateOrder?: DateOrder
}

/** How the columns that a meaning reads are written; what their cells leave open is guessed, and told. */
export function writtenColumns(
  { meaning, units }: ProposedRows,
  traits: readonly ColumnTraits[],
  unsure: Set<MappingQuestion>,
): Written {
  const byName = new Map(traits.map((each) => [each.column, each]))
  const ofFields = (fields: readonly ListField[]): ColumnTraits[] =>
    fields.flatMap((field) => {
      const source = meaning.fields[field]
      const found = source?.from === 'column' && !source.part ? byName.get(source.column) : undefined
      return found ? [found] : []
    })
  const figures = [
    ...ofFields(FIGURES),
    ...(meaning.prices ?? []).flatMap(({ column }) => byName.get(column) ?? []),
  ]
  const written: WrittenColumn[] = []
  for (const { column, mark } of new Set(figures)) {
    if (!mark.isSure) unsure.add('decimalMark')
    if (mark.mark !== (units.decimalMark ?? '.')) written.push({ column, decimalMark: mark.mark })
  }
  const orders = ofFields(DATES).map(({ distinct }) => dateOrderOf(distinct))
  const said = orders.find(({ order }) => order !== undefined)?.order
  if (!said && orders.some(({ open }) => open)) unsure.add('dateOrder')
  const dateOrder = said ?? (orders.some(({ open }) => open) ? 'day-first' : undefined)
  return { written, ...(dateOrder && { dateOrder }) }
}
