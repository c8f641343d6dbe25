import type { ListColumn } from '../../core/notches/listColumn.ts'
import type { Notch } from '../../core/notches/plate.ts'

/** Whether a choice fits stands after the first three columns: name, month, difference. */
export const WHY_AT = 3

/** A column with its head, its width and how its cells read. */
export interface ShownColumn extends ListColumn {
  readonly head: string
  /** Pixels. */
  readonly width: number
  readonly textOf: (notch: Notch) => string
}
