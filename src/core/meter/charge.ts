import type { AddressUse } from '../catalogue/priceBook.ts'
import type { Exact } from '../quantity/exact.ts'
import type { Rate } from '../quantity/rate.ts'
import type { GiB, Seconds } from '../quantity/units.ts'
import type { ChargedTime } from './chargedRuns.ts'

export type Meter = 'compute' | 'licence' | 'disk' | 'address' | 'memory-image'

/**
 * One line of a month: amount = rate × units × time, over an hour or over the month. It keeps all that its figure was
 * made of, so that the figure can be opened to its arithmetic.
 */
export interface Charge {
  readonly meter: Meter
  readonly subject: ChargeSubject
  readonly rate: Rate
  /** vCPU of a licence, GiB of a disk sold by the GiB or of a memory image; else 1. */
  readonly units: number
  /** Charged seconds, rounding included. */
  readonly time: Seconds
  /** Seconds of the whole month, which a monthly rate is for. */
  readonly month: Seconds
  /** Where the book's minimum and increment apply. */
  readonly rounding?: ChargedTime
  readonly amount: Exact
}

/** What is charged, with the names of the price book. */
export type ChargeSubject =
  | { readonly of: 'size'; readonly name: string }
  | { readonly of: 'licence'; readonly name: string; readonly vcpu: number }
  | {
      readonly of: 'disk'
      /** 0 is the system disk, data disks count from 1. */
      readonly position: number
      readonly name: string
      readonly askedGiB: GiB
      readonly chargedGiB: GiB
      readonly byStep: boolean
    }
  | { readonly of: 'address'; readonly sort: 'fixed' | 'changing'; readonly use: Exclude<AddressUse, 'none'> }
  | { readonly of: 'memory'; readonly memoryGiB: GiB }
