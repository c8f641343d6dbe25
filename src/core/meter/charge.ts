import { refuse, type Refused } from '../outcome.ts'
import type { AddressUse } from '../catalogue/regionPrices.ts'
import type { BandRate } from '../catalogue/bandRates.ts'
import type { SizeRateBase } from '../catalogue/sizeRates.ts'
import type { Exact } from '../quantity/exact.ts'
import type { Rate } from '../quantity/rate.ts'
import type { GiB, Instant } from '../quantity/units.ts'
import type { ChargedTime } from './chargedRuns.ts'
import type { Pieces } from './pieces.ts'

/** In the order in which a bill is read. */
export const METERS = [
  'compute',
  'commitment',
  'licence',
  'disk',
  'snapshot',
  'restore',
  'address',
  'memory-image',
  'traffic',
  'minimum',
] as const
export type Meter = (typeof METERS)[number]

/**
 * One line of a month: amount = rate × units × ticks ÷ ticks per period, times the share of a rebate band; nothing
 * where it is waived. It keeps all that its figure was made of, so that the figure can be opened to its arithmetic.
 */
export interface Charge extends Tariff, ChargeRules {
  readonly meter: Meter
  readonly subject: ChargeSubject
  /** When it was charged. */
  readonly pieces: Pieces
  readonly amount: Exact
}

/** A rate, and how a charge's ticks are counted against it. */
export interface Tariff {
  readonly rate: Rate
  /** How often the rate is charged: vCPU of a licence, GiB of a disk sold by the GiB; else 1. */
  readonly units: Exact
  /** What the rate is charged for once: 3,600 ticks an hour, the month's seconds. */
  readonly ticksPerPeriod: number
  /** What a true second counts; 0 where time plays no part. */
  readonly ticksPerSecond: number
}

/** The rules that took part in a charge. */
export interface ChargeRules {
  /** Where the book's minimum and increment apply. */
  readonly rounding: ChargedTime | undefined
  readonly band: Band | undefined
  readonly waived: Waiver | undefined
}

/** A part of the month or of the quantity that has a rate of its own. */
export interface Band {
  /** From 0. */
  readonly at: number
  readonly count: number
  /** Where it begins and ends, in the book's words: shares of the month, hours, GiB; the last one may have no end. */
  readonly from: string
  readonly to: string | undefined
  /** What is charged of the rate, where the band lowers it. */
  readonly share?: { readonly text: string; readonly value: Exact; readonly pointer: string }
}

export const bandOfRate = ({ at, count, from, to }: BandRate): Band => ({
  at,
  count,
  from: String(from),
  to: to === Infinity ? undefined : String(to),
})

/** Why nothing is charged for something that has a rate. */
export type Waiver =
  | { readonly by: 'allowance'; readonly id: string; readonly name: string; readonly usedUpAt?: Instant }
  | { readonly by: 'cap'; readonly hours: number }
  | { readonly by: 'own-licence' }
  | { readonly by: 'included' }

/** What is charged, with the names of the price book. */
export type ChargeSubject =
  | { readonly of: 'size'; readonly name: string; readonly base: SizeRateBase; readonly terms: string }
  | { readonly of: 'up-front'; readonly name: string; readonly terms: string; readonly months: number }
  /** Without vCPU where it is priced for the machine. */
  | { readonly of: 'licence'; readonly name: string; readonly vcpu: number | undefined }
  | {
      readonly of: 'disk'
      /** 0 is the system disk, data disks count from 1. */
      readonly position: number
      readonly name: string
      readonly askedGiB: GiB
      readonly chargedGiB: GiB
      readonly byStep: boolean
    }
  | {
      readonly of: 'disk-iops' | 'disk-throughput' | 'disk-operations'
      readonly position: number
      readonly name: string
      readonly bought: number
    }
  | {
      readonly of: 'snapshots'
      readonly position: number
      readonly usedGiB: GiB
      readonly kept: number
      readonly changedPercent: number
    }
  | { readonly of: 'address'; readonly sort: 'fixed' | 'changing'; readonly use: Exclude<AddressUse, 'none'> }
  | { readonly of: 'memory'; readonly memoryGiB: GiB }
  | {
      readonly of: 'traffic'
      readonly ownGiB: GiB
      /** What all machines of the account send from the region. */
      readonly accountGiB: GiB
    }
  | { readonly of: 'restore'; readonly restoredGiB: GiB; readonly times: number }
  /** `reached`: what all other charges come to. */
  | { readonly of: 'minimum'; readonly reached: Exact }

/** Something that the machine has and the book has no price for. */
export interface MissingPrice {
  readonly code: 'no-price'
  readonly part:
    | 'size'
    | 'disk'
    | 'disk-performance'
    | 'snapshots'
    | 'address'
    | 'memory-image'
    | 'traffic'
    | 'licence'
}

export const missingPrice = (part: MissingPrice['part']): Refused<MissingPrice> =>
  refuse({ code: 'no-price', part })
