import type { Size } from '../catalogue/priceBook.ts'
import type { ApartNeed } from './apartGroup.ts'
import type { ImageNeed } from './imageNeed.ts'
import type { GiB } from '../quantity/units.ts'

/** What a machine can be asked to keep while it is off. */
export const KEEPS = ['memory', 'address', 'local-disk', 'hardware'] as const
/** `hardware`: it must surely get hardware again, so that it must not give its own back, nor be taken away. */
export type Keep = (typeof KEEPS)[number]

/** What may go that a machine has now; where nothing is said, it must stay as it is. */
type MayGo = 'any'

/** What the machine must have. Zero and absent ask for nothing, but for what it has now and may not lose (`Held`). */
export interface Needs {
  readonly vcpu: number
  readonly memoryGiB: GiB
  readonly iops: number
  readonly megabytesPerSecond?: number
  /** Room on all disks together. */
  readonly diskGiB?: GiB
  readonly accelerators?: number
  /** That of its present size where absent. */
  readonly architecture?: Size['architecture'] | MayGo
  /** Each disk has at least the room that it has now where absent: shrinking means copying. */
  readonly disks?: MayGo
  /** It is not taken away where absent, unless it may be now. */
  readonly interruption?: MayGo
  /** Its data disks stay, with what is on them, in every state when off where absent, if they do now. */
  readonly data?: MayGo
  /** The very image that the machine has, or one akin to it, where absent. */
  readonly image?: ImageNeed
  /** Jurisdictions that the machine may stand in, in the price books' words. */
  readonly jurisdictions?: readonly string[]
  /** Names of the plan's places from which it is used. */
  readonly usedFrom?: readonly string[]
  /** The longest that a packet may take from each of those places and back. */
  readonly roundTripMs?: number
  readonly keeps?: readonly Keep[]
  /** From off to running. */
  readonly backWithinSeconds?: number
  /** The others of a group that it must not fall with. */
  readonly apart?: ApartNeed
}

/** A place where people sit. */
export interface UserPlace {
  /** Unique in the plan. */
  readonly name: string
  /** Degrees, north and east positive. */
  readonly latitude: number
  readonly longitude: number
  /** Round trips that the person measured; they take the place of estimates. */
  readonly measured?: readonly MeasuredRoundTrip[]
}

interface MeasuredRoundTrip {
  readonly provider: string
  readonly region: string
  readonly milliseconds: number
}

export const MOST_PLACES = 50
