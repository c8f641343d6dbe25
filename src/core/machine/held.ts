import type { Size } from '../catalogue/priceBook.ts'
import type { GiB } from '../quantity/units.ts'

/** What a machine has now, and must keep wherever its needs do not say that it may go. */
export interface Held {
  /** By position: the system disk first. */
  readonly roomsGiB: readonly GiB[]
  /** Undefined where its size does not say. */
  readonly architecture: Size['architecture']
  /** Its hardware may be taken away: nothing is promised to it that it has not. */
  readonly mayBeTaken: boolean
  /** It has data disks, and they are there, with what is on them, in every state that it has when off. */
  readonly keepsData: boolean
}
