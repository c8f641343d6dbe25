import type { GiB } from '../quantity/units.ts'
import type { FigureProblem } from './readFigure.ts'
import type { ListField } from './listMapping.ts'
import type { Period } from './sizeRows.ts'

/** What one row of a list says, in the units of a price book. */
export type ListEntry =
  | {
      readonly is: 'size-price'
      readonly size: string
      readonly vcpu: number
      readonly memoryGiB: GiB
      readonly architecture?: 'x86-64' | 'arm64'
      readonly family?: string
      readonly place: string
      readonly price: string
      readonly period: Period
      readonly from: CellAt
    }
  | {
      readonly is: 'disk-price'
      readonly disk: string
      readonly place: string
      readonly wholeGiB?: GiB
      readonly price: string
      readonly from: CellAt
    }

/** Where a price was read: its row, counted from 1 as in the file, and the column's heading. */
export interface CellAt {
  readonly row: number
  readonly column: string
  readonly text: string
}

/** Why a row gave nothing. */
export type LeftOut =
  | { readonly why: 'filtered' }
  | { readonly why: 'empty' }
  | { readonly why: 'no-price' }
  | {
      readonly why: 'unreadable'
      readonly field: ListField
      readonly text: string
      readonly problem: CellFault
    }

export type CellFault =
  FigureProblem['code'] | 'no-part' | 'out-of-range' | 'unknown-word' | 'too-long' | 'other-currency'
