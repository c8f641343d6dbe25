import type { PricePeriod } from '../table/priceUnit.ts'
import type { DateOrder } from '../table/readDate.ts'
import type { DecimalMark } from '../table/readFigure.ts'
import type { RoomUnit } from '../table/roomUnit.ts'

/** What a cell of a price list can say. */
export const LIST_FIELDS = [
  'size',
  'vcpu',
  'memory',
  'architecture',
  'family',
  'localDisk',
  'mostDisks',
  'iops',
  'throughput',
  'network',
  'place',
  'zone',
  'system',
  'term',
  'payment',
  'upFront',
  'disk',
  'room',
  'bandFrom',
  'bandUpTo',
  'use',
  'price',
  'unit',
  'currency',
  'validFrom',
  'validTo',
] as const
export type ListField = (typeof LIST_FIELDS)[number]

/** What a row of a price list is the price of. */
export const ROW_KINDS = [
  'size-price',
  'disk-price',
  'address-price',
  'traffic-price',
  'snapshot-price',
] as const
export type RowKind = (typeof ROW_KINDS)[number]

export const MEMORY_UNITS = ['GiB', 'GB', 'TiB', 'TB', 'MiB', 'MB'] as const satisfies readonly RoomUnit[]
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

/**
 * Where a field's text comes from: a column, or part of it, by its heading; the name of the table, such as a sheet for
 * each place; or the same for every row.
 */
export type FieldSource =
  | { readonly from: 'column'; readonly column: string; readonly part?: CellPart }
  | { readonly from: 'table'; readonly part?: CellPart }
  | { readonly from: 'constant'; readonly text: string }

export interface RowMeaning {
  readonly is: RowKind
  /** The tables whose rows it reads; absent where the list has one. */
  readonly tables?: readonly string[]
  /** Only rows in which these columns read one of these texts. */
  readonly only: readonly ColumnFilter[]
  readonly fields: { readonly [Field in ListField]?: FieldSource }
  /** Several columns of prices in one row: a wide table. They stand in place of the field. */
  readonly prices?: readonly PriceColumn[]
  /** Where these rows are counted otherwise than the rest of the list. */
  readonly units?: Partial<ListUnits>
  /** Columns whose figures or dates are written otherwise than the rest. */
  readonly written?: readonly WrittenColumn[]
}

/** How the cells of one column are written. */
export interface WrittenColumn {
  readonly column: string
  readonly decimalMark?: DecimalMark
  readonly dateOrder?: DateOrder
}

/** A column of prices, and what its heading says of them. */
export interface PriceColumn {
  readonly column: string
  readonly place?: string
  readonly system?: string
  readonly term?: string
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
  /** Where no column says it row by row. */
  readonly period: PricePeriod
  /** The price is for so many of them: 720 of a price for 720 hours. */
  readonly perCount: number
  /** So many of the amount are one of its currency: 100 where prices are in cents. One where it is absent. */
  readonly parts?: number
  /** Machines: where a price is for each of their vCPU or cores. For the machine where it is absent. */
  readonly each?: 'machine' | 'vcpu' | 'core'
  /** Disks and traffic: the room that a price is for. */
  readonly diskRoom: MemoryUnit
  readonly decimalMark?: DecimalMark
  readonly dateOrder?: DateOrder
}

export const MOST_PER_COUNT = 1_000_000_000

/** Rows of `table` find their partner in table `with`, where their `column` reads as its `key`: the columns of the partner then follow their own. */
export interface TableJoin {
  readonly table: string
  readonly column: string
  readonly with: string
  readonly key: string
}

/** The heading that a partner's column has beside a table's own. */
export const partnerColumn = (table: string, column: string): string => `${table}: ${column}`

/** What a list calls terms, and what they are. `text` is that of the term and of its payment, with a blank between. */
export interface TermAnswer {
  readonly text: string
  readonly is: 'on-demand' | 'spot' | 'commitment' | 'left-out'
  readonly months?: number
  readonly upFront?: 'none' | 'part' | 'all'
}

/** What a list calls a place, what the book does, and the city it is in. */
export interface PlaceAnswer {
  readonly text: string
  readonly name?: string
  /** A city of the shipped table by its name; empty: none of them. */
  readonly city?: string
}

/** What one of another currency was worth in the list's on a day. */
export interface CurrencyRate {
  readonly currency: string
  /** Decimal text. */
  readonly rate: string
  /** `2027-03-01`. */
  readonly on: string
}

/** What a person said of the price on demand of a size in a place, for as long as the list says the same of it. */
export interface PriceAnswer {
  readonly size: string
  readonly place: string
  /** What was answered: the price that the list has, as the book would have it. */
  readonly listed: string
  readonly is: 'right' | 'left-out' | 'mended'
  /** What it is in truth, in the list's period. */
  readonly price?: string
}

/** How the tables of a list become a book. */
export interface ListMapping {
  readonly currency: string
  readonly units: ListUnits
  readonly rows: readonly RowMeaning[]
  readonly joins?: readonly TableJoin[]
  /** The system that costs nothing more; others are licences. Where no column names systems, absent. */
  readonly plainSystem?: string
  readonly terms?: readonly TermAnswer[]
  readonly places?: readonly PlaceAnswer[]
  /** Of other currencies of the list; prices in one without a rate are left out. */
  readonly rates?: readonly CurrencyRate[]
  /** Prices that were looked at. */
  readonly answers?: readonly PriceAnswer[]
}

/** A question about a mapping whose answer was only proposed. */
export type MappingQuestion =
  | keyof ListUnits
  | 'currency'
  | `field/${ListField}`
  | 'prices'
  | 'rows'
  | 'joins'
  | 'systems'
  | 'terms'
  | 'places'
