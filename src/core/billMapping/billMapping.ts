import type { DateOrder } from '../table/readDate.ts'
import type { DecimalMark } from '../table/readFigure.ts'

/** What a cell of a bill that is not FOCUS can say. */
export const BILL_FIELDS = [
  'start',
  'end',
  'resource',
  'name',
  'kind',
  'quantity',
  'unit',
  'unitPrice',
  'cost',
  'currency',
  'region',
  'zone',
  'size',
  'vcpu',
  'memory',
  'system',
] as const
export type BillField = (typeof BILL_FIELDS)[number]

/** Without them a row says neither when, nor of what, nor how much. */
export const NEEDED_FIELDS: readonly BillField[] = ['start', 'resource', 'kind', 'cost', 'currency']

/** What a row is for, by what its kind reads. */
export const ROW_USES = [
  'machine-time',
  'licence',
  'disk',
  'snapshot',
  'memory',
  'address',
  'traffic',
  'tax',
  'credit',
  'left-out',
] as const
export type RowUse = (typeof ROW_USES)[number]

/** A column, by its heading, or the same text for every row. */
export type BillSource =
  | { readonly from: 'column'; readonly column: string }
  | { readonly from: 'constant'; readonly text: string }

/** How rows of a bill are read that does not follow FOCUS. */
export interface BillMapping {
  /** Whose bill it is: as the plan’s provider is called, so that its machines are found. */
  readonly provider: string
  readonly fields: { readonly [Field in BillField]?: BillSource }
  /** Each text that the kind has; others are left out, and told. */
  readonly kinds: readonly { readonly text: string; readonly is: RowUse }[]
  /** Units as FOCUS writes them: `Hours`, `GiB-Months`; others are told and not worked with. */
  readonly units: readonly { readonly text: string; readonly is: string }[]
  /** In which order days and months are written where it is not 2027-03-01. */
  readonly dates: DateOrder
  readonly decimalMark: DecimalMark
  /** How long a row lasts whose time says no end: as long as its text is precise, or a whole day where that is midnight. */
  readonly lasts?: 'day'
  /** Columns that are tags. */
  readonly tags: readonly string[]
}

/** A mapping that is kept: bills with these headings are read by it at once. */
export interface BillRecipe extends BillMapping {
  readonly headings: readonly string[]
}

export const MOST_KINDS = 400
export const MOST_UNITS = 100
export const MOST_TAG_COLUMNS = 50
export const MOST_HEADINGS = 1_000

/** What is still to be said before a bill can be read: fields, and columns that are not there. */
export function lackingFields(
  { fields }: Pick<BillMapping, 'fields'>,
  headings: readonly string[],
): BillField[] {
  const known = new Set(headings)
  return BILL_FIELDS.filter((field) => {
    const source = fields[field]
    if (!source) return NEEDED_FIELDS.includes(field)
    return source.from === 'column' ? !known.has(source.column) : source.text === ''
  })
}
