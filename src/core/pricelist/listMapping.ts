import type { DecimalMark } from './readFigure.ts'

/** What a cell of a price list can say. */
export const LIST_FIELDS = [
  'size',
  'vcpu',
  'memory',
  'architecture',
  'family',
  'place',
  'disk',
  'room',
  'price',
  'currency',
] as const
export type ListField = (typeof LIST_FIELDS)[number]

/** What a row of a price list is: the price of a size in a place, that of a kind of disk, or nothing of use. */
export const ROW_KINDS = ['size-price', 'disk-price'] as const
type RowKind = (typeof ROW_KINDS)[number]

export const PRICE_PERIODS = ['second', 'hour', '730-hours', 'month', 'year'] as const
export type PricePeriod = (typeof PRICE_PERIODS)[number]

export const MEMORY_UNITS = ['GiB', 'GB', 'MiB', 'MB'] as const
export type MemoryUnit = (typeof MEMORY_UNITS)[number]

/**
 * Which part of a cell is meant, where it says more than one thing: the number or word at a place counted from its
 * beginning (0, 1, ...) or from its end (-1, -2, ...), or the number before or after a word: `4` of "4 vCPU, 16 GiB".
 */
export type CellPart =
  | { readonly by: 'number'; readonly at: number }
  | { readonly by: 'word'; readonly at: number }
  | { readonly by: 'before'; readonly word: string }
  | { readonly by: 'after'; readonly word: string }

/** Where a field's text comes from: a column, or part of it, by its heading; or the same for every row. */
export type FieldSource =
  | { readonly from: 'column'; readonly column: string; readonly part?: CellPart }
  | { readonly from: 'constant'; readonly text: string }

export interface RowMeaning {
  readonly is: RowKind
  /** Only rows in which these columns read one of these texts. */
  readonly only: readonly ColumnFilter[]
  readonly fields: { readonly [Field in ListField]?: FieldSource }
  /** Columns that are places, each with its own price: the heading is the place. */
  readonly places?: readonly string[]
}

export interface ColumnFilter {
  readonly column: string
  readonly values: readonly string[]
}

/** How what the columns hold is counted. What was proposed and nobody confirmed is listed in `unsure`. */
export interface ListUnits {
  readonly memory: MemoryUnit
  /** vCPU that a counted core stands for: 1 where the list counts vCPU, usually 2 where it counts cores. */
  readonly vcpuPerCount: number
  readonly period: PricePeriod
  /** The price is for so many of them: 1, 1,000 or 10,000. */
  readonly perCount: number
  /** Disks: the room that a price is for. */
  readonly diskRoom: MemoryUnit
  readonly decimalMark?: DecimalMark
}

/** How one table of a list becomes part of a book. */
export interface ListMapping {
  readonly currency: string
  readonly units: ListUnits
  readonly rows: readonly RowMeaning[]
}

/** A question about a mapping whose answer was only proposed. */
export type MappingQuestion = keyof ListUnits | 'currency' | `field/${ListField}` | 'places' | 'rows'
