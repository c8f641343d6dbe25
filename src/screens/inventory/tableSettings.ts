import type { NumberForm } from '../../files/inventory/inventoryNumber.ts'
import type { Encoding, Separator } from '../../files/inventory/inventoryTable.ts'

/** How a table is written, and what rows that do not say get: ids of a provider and a week. */
export interface TableSettings extends NumberForm {
  readonly separator: Separator
  readonly encoding: Encoding
  readonly provider: string
  readonly week: string
}
