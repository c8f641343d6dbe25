import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Machine, Plan } from '../../core/machine/plan.ts'
import type { InventoryField, InventoryMapping } from './inventoryFields.ts'
import type { NumberForm } from './inventoryNumber.ts'
import type { InventoryTable } from './inventoryTable.ts'

export interface InventoryInputs extends NumberForm {
  readonly table: InventoryTable
  readonly mapping: InventoryMapping
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  /** Id of the provider of rows that name none. */
  readonly provider: string
  /** Week of rows that name none. */
  readonly week: WeekPlan
  /** Sizes that the person confirmed, by what the table asks for. */
  readonly confirmed: ReadonlyMap<string, string>
  /** What the person said that words of the table mean, by their keys. */
  readonly meant: ReadonlyMap<string, string>
}

export interface CellProblem {
  /** The column's place; undefined where it is of the row as a whole. */
  readonly column: number | undefined
  readonly problem: string
}

/** A size that the book does not have under its name: what has at least its vCPU and memory, the nearest first. */
export interface AskedSize {
  readonly key: string
  /** As the table says it. */
  readonly text: string
  readonly provider: string
  readonly candidates: readonly { readonly id: string; readonly name: string }[]
  readonly rows: number
}

/** A word of the table that names nothing there is, once for all its rows. */
export interface AskedValue {
  readonly key: string
  readonly field: InventoryField
  /** As the table says it. */
  readonly text: string
  readonly provider: string | undefined
  readonly options: readonly { readonly id: string; readonly name: string }[]
  /** Stands until the person says something else. */
  readonly proposed: string | undefined
  readonly rows: number
}

export interface InventoryRow {
  /** From 0. */
  readonly at: number
  readonly machine: Machine | undefined
  readonly problems: readonly CellProblem[]
}

export interface Inventory {
  readonly rows: readonly InventoryRow[]
  readonly sizes: readonly AskedSize[]
  readonly values: readonly AskedValue[]
}
