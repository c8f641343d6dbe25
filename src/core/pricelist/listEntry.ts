import type { ListedAddressUse } from './addressUseOfText.ts'
import type { Size } from '../catalogue/priceBook.ts'
import type { FigureProblem } from '../table/readFigure.ts'
import type { DateProblem } from '../table/readDate.ts'
import type { ListField } from './listMapping.ts'
import type { Period } from './sizeRows.ts'

/** What one row of a list says, in the units of a price book. */
export type ListEntry = SizeEntry | DiskEntry | PlaceEntry

/** What a list may say of a size beside its name. */
export type SizeFacts = Pick<
  Size,
  | 'vcpu'
  | 'memoryGiB'
  | 'architecture'
  | 'localDiskGiB'
  | 'mostDisks'
  | 'iops'
  | 'megabytesPerSecond'
  | 'networkMegabitsPerSecond'
> & {
  /** The family's name. */
  readonly family?: string
}

/** `since` is the first day on which a price holds, `2027-03-01`, and `until` the last one, where the list says them. */
export interface SizeEntry {
  readonly is: 'size-price'
  readonly size: string
  readonly facts: SizeFacts
  readonly place: string
  readonly zone?: string
  /** As the list calls them; empty where it does not. */
  readonly system: string
  readonly term: string
  readonly price: string
  readonly period: Period
  /** Paid once for a whole commitment. */
  readonly upFront?: string
  readonly since?: string
  readonly until?: string
  readonly from: CellAt
}

export interface DiskEntry {
  readonly is: 'disk-price'
  readonly disk: string
  readonly place: string
  readonly wholeGiB?: Size['memoryGiB']
  readonly price: string
  /** Sold by the GiB: the band of a disk's room that it is for. */
  readonly fromGiB?: number
  readonly upToGiB?: number
  readonly since?: string
  readonly until?: string
  readonly from: CellAt
}

/** A price of the place itself: a fixed address an hour, traffic a GiB, a snapshot a GiB and month. */
export interface PlaceEntry {
  readonly is: 'address-price' | 'traffic-price' | 'snapshot-price'
  readonly place: string
  readonly price: string
  /** An address: while what it costs that; absent for all uses. */
  readonly use?: ListedAddressUse
  /** Traffic: the band of a month that it is for. */
  readonly fromGiB?: number
  readonly upToGiB?: number
  readonly since?: string
  readonly until?: string
  readonly from: CellAt
}

/** Where a price was read: its row, counted from 1 as in the file, and the column's heading. */
export interface CellAt {
  readonly row: number
  readonly column: string
  readonly text: string
  /** Where the list has several. */
  readonly table?: string
}

/** Why a row gave nothing. */
export type LeftOut =
  | { readonly why: 'filtered' }
  | { readonly why: 'empty' }
  | { readonly why: 'no-price' }
  /** Found no partner in another table. */
  | { readonly why: 'no-partner'; readonly text: string }
  /** On terms that were answered to be left out. */
  | { readonly why: 'term'; readonly text: string }
  /** Another price holds on the list's first day. */
  | { readonly why: 'other-day'; readonly text: string }
  /** No price holds on the list's first day yet: the first one stands for it, and is used. */
  | { readonly why: 'early'; readonly text: string }
  /** Holds on the list's first day no more. */
  | { readonly why: 'over'; readonly text: string }
  /** A price for larger quantities than the first. */
  | { readonly why: 'band' }
  | {
      readonly why: 'unreadable'
      readonly field: ListField
      readonly text: string
      readonly problem: CellFault
    }

export type CellFault =
  | FigureProblem['code']
  | DateProblem['code']
  | 'no-part'
  | 'out-of-range'
  | 'unknown-word'
  | 'too-long'
  | 'other-currency'
  /** A machine's, for each GiB of something. */
  | 'per-room'
